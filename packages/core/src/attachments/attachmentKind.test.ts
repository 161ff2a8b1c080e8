import { describe, expect, it } from 'vitest';
import { attachmentKindOf, attachmentKinds, isPicture } from './attachmentKind.ts';

describe('what may be attached', () => {
  it('is told by the last ending of the name, in any case', () => {
    expect(['Lease.PDF', 'quay.photo.jpeg', 'notes', 'page.html', 'drawing.svg', 'script.pdf.js', '.pdf'].map(attachmentKindOf)).toEqual([
      'pdf',
      'jpeg',
      null,
      null,
      null,
      null,
      'pdf',
    ]);
  });

  it('is shown in the page only where it is a picture of points, which can do nothing', () => {
    expect(attachmentKinds.filter(isPicture)).toEqual(['png', 'jpg', 'jpeg', 'webp']);
  });
});
