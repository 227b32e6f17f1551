/** The size of a file for reading: whole kilobytes, megabytes with one decimal. */
export const fileSize = (bytes: number) =>
  bytes < 1024
    ? `${bytes} bytes`
    : bytes < 1_048_576
      ? `${(bytes / 1024).toFixed(0)} KB`
      : `${(bytes / 1_048_576).toFixed(1)} MB`;
