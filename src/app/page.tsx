import { HomeView } from '@/ui/home/HomeView';

export default function HomePage() {
  return <HomeView />;
}
