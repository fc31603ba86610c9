import { notFound } from 'next/navigation';
import { JobView } from '@/ui/job/JobView';
import { isStation } from '@/ui/workspace/stations';

export default async function JobPage({ params }: { params: Promise<{ id: string; station: string }> }) {
  const { id, station } = await params;
  if (!isStation(station)) notFound();
  return <JobView id={id} station={station} />;
}
