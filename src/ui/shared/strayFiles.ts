/** Who takes files that are dropped where nothing waits for them. */
let taker: ((files: readonly File[]) => void) | null = null;

/** @returns ends it */
export function onStrayFiles(take: (files: readonly File[]) => void): () => void {
  taker = take;
  return () => {
    if (taker === take) taker = null;
  };
}

/** Keeps the browser from leaving the application for a file that was dropped beside its area. @returns ends it */
export function catchStrayFiles(): () => void {
  const carriesFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
  const over = (event: DragEvent) => {
    if (carriesFiles(event)) event.preventDefault();
  };
  const drop = (event: DragEvent) => {
    // Taken by an area that waits for files.
    if (event.defaultPrevented || !carriesFiles(event)) return;
    event.preventDefault();
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length > 0) taker?.(files);
  };
  window.addEventListener('dragover', over);
  window.addEventListener('drop', drop);
  return () => {
    window.removeEventListener('dragover', over);
    window.removeEventListener('drop', drop);
  };
}
