/** A company and what it is of, without the characters that file systems refuse, and those that let an ending look like another. */
export function fileName(company: string, rest: string): string {
  return `${company} - ${rest}`.replaceAll(/[\\/:*?"<>|\u061c\u200b\u200e\u200f\u202a-\u202e\u2066-\u2069\ufeff]/g, '-');
}
