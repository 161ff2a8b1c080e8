import { attachmentKindOf, attachmentKinds, fail, largestAttachment, mapOutcome, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openStructure } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Attachment, AttachmentOwner, Ports, StreamedFile } from '../ports/index.ts';

export async function listAttachments(ports: Ports, { companyId }: Access<'see_papers'>, owner: AttachmentOwner): Promise<Outcome<Attachment[], Failure>> {
  return succeed(await ports.attachments.list(companyId, owner));
}

/** All files of the account or entry, the new one first. Only kinds that are listed are taken, by name and by content, and 25 MB of each. */
export async function addAttachment(
  ports: Ports,
  access: Access<'prepare_entries'>,
  owner: AttachmentOwner,
  name: string,
  content: AsyncIterable<Uint8Array>,
): Promise<Outcome<Attachment[], Failure>> {
  const { companyId, actor } = access;
  const kind = attachmentKindOf(name);
  if (kind === null) return fail({ code: 'attachment_kind_refused', name, kinds: attachmentKinds });
  const opened = await openStructure(ports, companyId);
  if (!opened.ok) return opened;
  const isThere = owner.kind === 'account' ? opened.value.labels.has(owner.id) : (await ports.ledger.entry(companyId, owner.id)) !== null;
  if (!isThere) return fail({ code: 'not_found', thing: owner.kind, id: owner.id });
  const [isOfKind, whole] = await ports.attachmentContent.beginsAs(kind, content);
  if (!isOfKind) return fail({ code: 'attachment_of_other_kind', name, kind });
  const written = await ports.attachments.write(companyId, owner, name, whole, largestAttachment, actor);
  return written.ok ? listAttachments(ports, access, owner) : written;
}

export async function downloadAttachment(ports: Ports, { companyId }: Access<'see_papers'>, id: number): Promise<Outcome<StreamedFile, Failure>> {
  return mapOutcome(await findAttachment(ports, companyId, id), ({ name, bytes }) => ({ name, bytes, content: ports.attachments.read(companyId, id) }));
}

export async function deleteAttachment(ports: Ports, { companyId, actor }: Access<'prepare_entries'>, id: number): Promise<Outcome<null, Failure>> {
  const found = await findAttachment(ports, companyId, id);
  if (!found.ok) return found;
  return mapOutcome(await ports.attachments.remove(companyId, found.value, actor), () => null);
}

async function findAttachment({ attachments }: Ports, companyId: number, id: number): Promise<Outcome<Attachment, Failure>> {
  const attachment = await attachments.find(companyId, id);
  return attachment ? succeed(attachment) : fail({ code: 'not_found', thing: 'attachment', id });
}
