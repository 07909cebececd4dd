import { SPLIT_TAGS } from '@/core/written';
import { send } from './nodes';
import { paste, removeBackward, removeForward, split } from './paragraphs';
import {
  breakLine,
  compose,
  hold,
  isComposing,
  isWriting,
  rangeOf,
  replaceWith,
  selected,
  stopWriting,
  tell,
  tellPlace,
  tellSoon,
  toggleMark,
  writtenIn,
} from './writing';

/* What the keyboard, the clipboard and composing do to the text that is written. */

const MARK_KEYS: Readonly<Record<string, string>> = { b: 'strong', i: 'em', e: 'code' };
const FORMATS: Readonly<Record<string, string>> = { formatBold: 'strong', formatItalic: 'em' };

/** What the browser is about to do to the text. */
function beforeInput(event: InputEvent): void {
  const { inputType } = event;
  if (!isWriting() || isComposing() || inputType === 'insertCompositionText') return;
  if (inputType === 'insertText' && selected()[0] === selected()[1]) return;
  if (inputType === 'insertReplacementText') return;
  event.preventDefault();
  const [target] = event.getTargetRanges();
  const by = target ? rangeOf(target) : selected();
  if (inputType === 'insertText') replaceWith(...selected(), event.data ? [{ text: event.data, path: [] }] : []);
  else if (inputType === 'insertParagraph') split();
  else if (inputType === 'insertLineBreak') breakLine();
  else if (FORMATS[inputType]) toggleMark(FORMATS[inputType]);
  else if (/^delete.*Forward$/.test(inputType)) removeForward(by);
  else if (/^delete/.test(inputType) && inputType !== 'deleteByDrag') removeBackward(by);
}

/** @returns whether the key belongs to what is written */
export function keyWhileWriting(event: KeyboardEvent): boolean {
  const root = writtenIn();
  if (!root) return false;
  if (event.isComposing || event.keyCode === 229) return true;
  const command = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (event.key.length === 1 && !command && !event.altKey && hold(event.key)) {
    event.preventDefault();
    return true;
  }
  if (event.key === 'Escape' || (event.key === 'Enter' && !event.shiftKey && !command && !SPLIT_TAGS.has(root.localName))) {
    event.preventDefault();
    stopWriting();
  } else if (root.closest('button, summary') && /^( |Enter)$/.test(event.key) && !command) {
    // These would press it.
    event.preventDefault();
    // As if it were typed: a space at the end of a line must not collapse.
    if (event.key === ' ') document.execCommand('insertText', false, ' ');
    else breakLine();
  } else if (command && event.key === 'Enter') {
    event.preventDefault();
    tell();
    send({ type: 'marks' });
  } else if (command && !event.altKey && /^[zy]$/.test(key)) {
    event.preventDefault();
    tell();
    send({ type: 'key', up: false, key: event.key, ctrl: true, shift: event.shiftKey, alt: false });
  } else if (command && !event.shiftKey && !event.altKey && MARK_KEYS[key]) {
    event.preventDefault();
    toggleMark(MARK_KEYS[key]);
  }
  return true;
}

export function listenToWriting(): void {
  addEventListener('beforeinput', beforeInput, true);
  addEventListener('input', () => isWriting() && tellSoon());
  // A button is pressed when the key is let go of.
  addEventListener(
    'keyup',
    (event) => writtenIn()?.closest('button, summary') && event.key === ' ' && event.preventDefault(),
    true,
  );
  addEventListener('compositionstart', () => compose(true));
  addEventListener('compositionend', () => compose(false));
  addEventListener('paste', paste, true);
  addEventListener('dragover', (event) => isWriting() && event.preventDefault());
  addEventListener('drop', (event) => event.preventDefault(), true);
  document.addEventListener('selectionchange', tellPlace);
}
