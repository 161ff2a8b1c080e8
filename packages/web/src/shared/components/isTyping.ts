/** Whether a key press goes into a text, where shortcuts without a field's own meaning stay quiet. */
export function isTyping({ target }: { readonly target: EventTarget | null }): boolean {
  if (target instanceof HTMLInputElement) return target.type !== 'checkbox' && target.type !== 'radio';
  return target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;
}
