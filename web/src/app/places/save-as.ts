/** Hands a text or bytes to the browser to be saved as a file; signs that no file name may hold become dashes. */
export function saveAs(name: string, type: string, text: BlobPart): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name.replace(/[\\/:*?"<>|]+/g, '-');
  link.click();
  setTimeout(() => {
    URL.revokeObjectURL(url);
  }, 10_000);
}
