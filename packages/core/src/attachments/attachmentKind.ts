/** Endings of names that may be attached, and whether a browser can show such a file without being able to do anything with it. */
const kinds = {
  pdf: { isPicture: false },
  png: { isPicture: true },
  jpg: { isPicture: true },
  jpeg: { isPicture: true },
  webp: { isPicture: true },
  txt: { isPicture: false },
  csv: { isPicture: false },
  xlsx: { isPicture: false },
  docx: { isPicture: false },
  eml: { isPicture: false },
  xml: { isPicture: false },
  zip: { isPicture: false },
} as const satisfies Record<string, { readonly isPicture: boolean }>;

export type AttachmentKind = keyof typeof kinds;
export const attachmentKinds = Object.keys(kinds) as AttachmentKind[];

/** In bytes. */
export const largestAttachment = 25 << 20;

/** By the ending of its name. A file is given out as nothing but bytes, whatever it is. */
export function attachmentKindOf(name: string): AttachmentKind | null {
  const ending = /\.([^.]+)$/.exec(name)?.[1]?.toLowerCase() ?? '';
  return attachmentKinds.find((kind) => kind === ending) ?? null;
}

export function isPicture(kind: AttachmentKind): boolean {
  return kinds[kind].isPicture;
}
