/** A company and what it is of, without the characters that file systems refuse. */
export function fileName(company: string, rest: string): string {
  return `${company} - ${rest}`.replaceAll(/[\\/:*?"<>|]/g, '-');
}
