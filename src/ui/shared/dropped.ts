/* Files that were dropped, also those of folders and the folders in them. */

/** Whether something that was dropped is a folder. Asked while the drop is handled: later the browser has forgotten. */
export function entriesOf(transfer: DataTransfer): FileSystemEntry[] {
  return [...transfer.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
}

/** All files of what was dropped, in order of their names; hidden ones are passed over. */
export async function filesOf(entries: readonly FileSystemEntry[]): Promise<File[]> {
  const files: File[] = [];
  for (const entry of [...entries].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }))) {
    if (entry.name.startsWith('.')) continue;
    if (isFile(entry)) files.push(await fileOf(entry));
    else if (isFolder(entry)) files.push(...(await filesOf(await contentsOf(entry))));
  }
  return files;
}

const isFile = (entry: FileSystemEntry): entry is FileSystemFileEntry => entry.isFile;
const isFolder = (entry: FileSystemEntry): entry is FileSystemDirectoryEntry => entry.isDirectory;

const fileOf = (entry: FileSystemFileEntry) => new Promise<File>((resolve, reject) => entry.file(resolve, reject));

/** The browser gives a folder in portions, and says that it is empty when there are no more. */
async function contentsOf(folder: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
  const reader = folder.createReader();
  const all: FileSystemEntry[] = [];
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) return all;
    all.push(...some);
  }
}
