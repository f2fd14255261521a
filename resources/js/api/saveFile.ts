/** Hands data to the browser as a file to keep. */
export function saveFile(data: Blob, name: string): void {
    const url = URL.createObjectURL(data);
    const link = document.createElement('a');
    link.href = url;
    link.download = name;
    link.click();
    URL.revokeObjectURL(url);
}
