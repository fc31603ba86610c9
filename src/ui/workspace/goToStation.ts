import { usePathname } from 'next/navigation';
import { isStation, type StationId } from './stations';

export const stationPath = (job: string, station: StationId) => `/job/${job}/${station}`;

/**
 * Stations change in the page alone: the server is not asked, so that they work without it. The address says where one
 * is, and the browser's way back leads through the stations.
 */
export function goToStation(job: string, station: StationId): void {
  // Outside a page there is no address.
  if (typeof window === 'undefined') return;
  if (window.location.pathname !== stationPath(job, station))
    window.history.pushState(null, '', stationPath(job, station));
}

/** @param opened the one the page was opened with */
export function useStation(opened: StationId): StationId {
  const last = usePathname().split('/').at(-1) ?? '';
  return isStation(last) ? last : opened;
}
