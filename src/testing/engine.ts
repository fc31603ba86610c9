import { vi } from 'vitest';
import type { EngineApi } from '@/workers/engine.worker';

/**
 * The engine's worker without a worker: what it exposes, called directly. A test file that uses it mocks Comlink:
 * `vi.mock('comlink', () => ({ expose: exposed }))`.
 */
let api: EngineApi | null = null;

export const exposed = vi.fn((made: EngineApi) => {
  api = made;
});

export async function engine(): Promise<EngineApi> {
  await import('@/workers/engine.worker');
  return api!;
}
