/** Text that a spreadsheet would take for a formula is kept as text, by a mark in front that `textBehindMark` takes off again. */
export function asPlainText(text: string): string {
  return /^'*[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}

/** The inverse of `asPlainText`, for every text that it wrote. */
export function textBehindMark(text: string): string {
  return /^'+[=+\-@\t\r]/.test(text) ? text.slice(1) : text;
}
