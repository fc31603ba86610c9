import { ShowView } from '@/ui/show/ShowView';

export default async function ShowPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <ShowView id={id} />;
}
