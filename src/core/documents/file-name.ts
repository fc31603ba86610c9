/** A name every file system takes. @param name as people wrote it */
export function fileNameOf(name: string): string {
  return (
    name
      .replace(/[^\p{L}\p{N}._ -]+/gu, '')
      .replace(/\s+/g, ' ')
      .trim() || 'score'
  );
}
