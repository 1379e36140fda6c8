/** Whether a key belongs to the field the focus is in. */
export function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
}

const NO_TEXT = ['range', 'checkbox', 'radio', 'button', 'submit', 'reset', 'file', 'color'];

/** Whether undoing belongs to the field the focus is in: it holds a text. A slider and a list to choose from have nothing to undo by themselves. */
export function hasOwnUndo(target: EventTarget | null): boolean {
  const hasText = target instanceof HTMLInputElement ? !NO_TEXT.includes(target.type) : !(target instanceof HTMLSelectElement);
  return isTyping(target) && hasText;
}
