import type { Declarations } from '../document/element';

/*
 * What browsers give form controls before anybody's sheet (HTML, "Form controls"), limited to the properties known here
 * and written as longhands.
 */

export const everySide = (prefix: string, suffix: string, value: string): Declarations =>
  Object.fromEntries(['top', 'right', 'bottom', 'left'].map((side) => [`${prefix}${side}${suffix}`, value]));
const lines = (width: string, style: string, colour: string): Declarations => ({
  ...everySide('border-', '-width', width),
  ...everySide('border-', '-style', style),
  ...everySide('border-', '-color', colour),
});
const padding = (across: string, down: string): Declarations => ({
  ...{ 'padding-top': down, 'padding-bottom': down, 'padding-left': across, 'padding-right': across },
});
const round = (radius: string): Declarations =>
  Object.fromEntries(
    ['top-left', 'top-right', 'bottom-right', 'bottom-left'].map((corner) => [`border-${corner}-radius`, radius]),
  );

const control: Declarations = {
  display: 'inline-block',
  'text-indent': '0px',
  'text-transform': 'none',
  'word-spacing': '0px',
  'letter-spacing': 'normal',
  'line-height': 'normal',
  'text-align': 'start',
  'font-family': 'Arial',
  'font-size': '13.3333px',
  'font-weight': '400',
  'font-style': 'normal',
  color: 'rgb(0, 0, 0)',
};
const field: Declarations = {
  ...control,
  cursor: 'text',
  'background-color': 'rgb(255, 255, 255)',
  ...lines('2px', 'inset', 'rgb(118, 118, 118)'),
};
const lineField: Declarations = { ...field, ...padding('2px', '1px') };
const dateField: Declarations = { ...field, ...padding('0px', '0px'), 'padding-left': '1px', cursor: 'default' };
const box: Declarations = {
  ...control,
  cursor: 'default',
  'box-sizing': 'border-box',
  ...everySide('margin-', '', '3px'),
  'margin-left': '4px',
};
const radio: Declarations = { ...box, 'margin-left': '5px', 'margin-bottom': '0px' };
const button: Declarations = {
  ...control,
  cursor: 'default',
  'text-align': 'center',
  'box-sizing': 'border-box',
  ...padding('6px', '1px'),
  'background-color': 'rgb(239, 239, 239)',
  ...lines('2px', 'outset', 'rgb(0, 0, 0)'),
};
const inputButton: Declarations = { ...button, 'white-space': 'pre' };
const plain: Declarations = { ...control, cursor: 'default', ...padding('0px', '0px') };
const select: Declarations = {
  ...control,
  cursor: 'default',
  'box-sizing': 'border-box',
  'align-items': 'center',
  'white-space': 'pre',
  'background-color': 'rgb(239, 239, 239)',
  ...lines('1px', 'solid', 'rgb(118, 118, 118)'),
};
const listBox: Declarations = {
  ...select,
  'align-items': 'flex-start',
  'white-space': 'nowrap',
  'vertical-align': 'text-bottom',
  'background-color': 'rgb(255, 255, 255)',
  'overflow-x': 'hidden',
  'overflow-y': 'scroll',
  ...round('2px'),
};

const BY_INPUT_TYPE: Readonly<Record<string, Declarations>> = {
  checkbox: box,
  search: { ...lineField, 'box-sizing': 'border-box' },
  radio,
  date: dateField,
  time: dateField,
  month: dateField,
  week: dateField,
  'datetime-local': dateField,
  submit: inputButton,
  reset: inputButton,
  button: inputButton,
  hidden: { ...control, display: 'none', cursor: 'default' },
  range: { ...plain, ...everySide('margin-', '', '2px'), 'background-color': 'rgb(255, 255, 255)' },
  color: {
    ...button,
    ...{ width: '50px', height: '27px', 'text-align': 'start' },
    ...padding('2px', '1px'),
    ...lines('1px', 'solid', 'rgb(0, 0, 0)'),
  },
  file: { ...plain, 'align-items': 'baseline', 'white-space': 'pre', 'text-overflow': 'ellipsis' },
};

const textarea: Declarations = {
  ...field,
  'white-space': 'pre-wrap',
  'overflow-wrap': 'break-word',
  ...everySide('padding-', '', '2px'),
  ...everySide('border-', '-width', '1px'),
  ...everySide('border-', '-style', 'solid'),
  'font-family': 'monospace',
};

const bar = (width: string): Declarations => ({
  ...{ display: 'inline-block', 'box-sizing': 'border-box', width, height: '1em', 'vertical-align': '-0.2em' },
});

type Attributes = Readonly<Record<string, string>>;
const isListBox = ({ multiple, size }: Attributes) => multiple !== undefined || Number(size ?? 1) > 1;

/** Undefined for what is no control. */
export function controlDefaultFor(tag: string, attributes: Attributes): Declarations | undefined {
  switch (tag) {
    case 'input':
      return BY_INPUT_TYPE[attributes.type ?? 'text'] ?? lineField;
    case 'textarea':
      return attributes.wrap === 'off' ? { ...textarea, 'white-space': 'pre', 'overflow-wrap': 'normal' } : textarea;
    case 'button':
      return button;
    case 'select':
      return isListBox(attributes) ? listBox : select;
    case 'optgroup':
    case 'option':
      return { display: 'block' };
    case 'progress':
      return bar('10em');
    case 'meter':
      return bar('5em');
    default:
      return undefined;
  }
}

const faint: Declarations = everySide('border-', '-color', 'rgba(118, 118, 118, 0.3)');
const GREY = 'rgb(128, 128, 128)';
const greyField: Declarations = {
  ...faint,
  'background-color': 'rgba(239, 239, 239, 0.3)',
  cursor: 'default',
  color: 'rgb(84, 84, 84)',
};

/** What is otherwise where a control can't be used. */
export function disabledDefaultFor(tag: string, { type = 'text' }: Attributes): Declarations | undefined {
  if (tag === 'select') return { ...faint, opacity: '0.7', color: GREY };
  if (tag === 'textarea') return greyField;
  const pressed = tag === 'button' || ['submit', 'reset', 'button'].includes(type);
  if (pressed) return { ...faint, 'background-color': 'rgba(239, 239, 239, 0.3)', color: 'rgba(16, 16, 16, 0.3)' };
  if (tag !== 'input' || ['checkbox', 'radio'].includes(type)) return undefined;
  if (type === 'hidden' || type === 'file') return faint;
  return type === 'range' ? { ...faint, 'background-color': 'rgba(0, 0, 0, 0)' } : greyField;
}

const CLIPPED: Declarations = { 'overflow-x': 'clip', 'overflow-y': 'clip' };
const ONE_LINE: Declarations = { ...CLIPPED, 'line-height': 'normal' };
const UNADORNED: Declarations = { ...padding('0px', '0px'), ...lines('medium', 'none', 'currentcolor') };
const FORCED_BY_INPUT_TYPE: Readonly<Record<string, Declarations>> = {
  checkbox: { ...UNADORNED, ...round('0px') },
  radio: { ...UNADORNED, ...round('50%') },
  range: {},
  hidden: { ...CLIPPED, display: 'none' },
  file: { ...CLIPPED, 'text-align': 'start', 'text-overflow': 'ellipsis' },
};

/** What browsers give a control and let no sheet change. */
export function controlForcedFor(tag: string, attributes: Attributes): Declarations | undefined {
  if (tag === 'select') return isListBox(attributes) ? undefined : ONE_LINE;
  return tag === 'input' ? (FORCED_BY_INPUT_TYPE[attributes.type ?? 'text'] ?? CLIPPED) : undefined;
}
