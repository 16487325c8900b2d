/* What only workers have of the private file system; TypeScript keeps it in a library that cannot be used beside the one for pages. */

interface FileSystemSyncAccessHandle {
  read(buffer: ArrayBufferView, options?: { readonly at?: number }): number
  write(buffer: ArrayBufferView, options?: { readonly at?: number }): number
  flush(): void
  getSize(): number
  truncate(size: number): void
  close(): void
}

interface FileSystemFileHandle {
  createSyncAccessHandle(options?: {
    readonly mode?: 'readwrite' | 'read-only' | 'readwrite-unsafe'
  }): Promise<FileSystemSyncAccessHandle>
}
