/** A trial balance is far smaller; beyond this the file is refused unread. */
export const largestUploadBytes = 20 << 20;
