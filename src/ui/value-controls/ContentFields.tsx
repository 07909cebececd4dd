'use client';

import type { ReactNode } from 'react';
import { INPUT_TYPES } from '@/core/document';
import { commit, commitOrReport } from '../editing/edits';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { CheckedField } from './CheckedField';
import { linkInWords, linkMeant, linkTargets } from './link-targets';

interface Field {
  readonly name: string;
  readonly label: string;
  readonly choices?: readonly string[];
  /** Only there or not. */
  readonly flag?: true;
}

const flag = (name: string, label: string): Field => ({ name, label, flag: true });
const USELESS = flag('disabled', 'Can’t be used');

const FIELDS: Readonly<Record<string, readonly Field[]>> = {
  a: [{ name: 'href', label: 'Leads to' }],
  img: [{ name: 'alt', label: 'In words' }],
  input: [
    { name: 'type', label: 'Kind', choices: INPUT_TYPES },
    { name: 'name', label: 'Name' },
    { name: 'placeholder', label: 'Hint' },
    flag('required', 'Needed'),
    USELESS,
  ],
  textarea: [{ name: 'name', label: 'Name' }, { name: 'placeholder', label: 'Hint' }, flag('required', 'Needed'), USELESS],
  form: [{ name: 'action', label: 'Sends to' }],
  label: [{ name: 'for', label: 'For field' }],
  button: [{ name: 'type', label: 'Kind', choices: ['button', 'submit', 'reset'] }, USELESS],
  select: [{ name: 'name', label: 'Name' }, flag('multiple', 'Several'), USELESS],
  option: [{ name: 'value', label: 'Value' }, flag('selected', 'Chosen'), USELESS],
  optgroup: [{ name: 'label', label: 'Label' }, USELESS],
  fieldset: [USELESS],
  details: [flag('open', 'Open'), { name: 'name', label: 'One open of' }],
  dialog: [flag('open', 'Open')],
  ol: [
    { name: 'start', label: 'Begins at' },
    { name: 'type', label: 'Counts by', choices: ['1', 'a', 'A', 'i', 'I'] },
    flag('reversed', 'Backwards'),
  ],
  time: [{ name: 'datetime', label: 'Date, time' }],
  abbr: [{ name: 'title', label: 'In full' }],
  blockquote: [{ name: 'cite', label: 'Taken from' }],
  q: [{ name: 'cite', label: 'Taken from' }],
  progress: [
    { name: 'value', label: 'Value' },
    { name: 'max', label: 'Of' },
  ],
  meter: [
    { name: 'value', label: 'Value' },
    { name: 'min', label: 'From' },
    { name: 'max', label: 'To' },
  ],
  video: [{ name: 'src', label: 'File' }, flag('controls', 'Controls')],
  audio: [{ name: 'src', label: 'File' }, flag('controls', 'Controls')],
  iframe: [
    { name: 'src', label: 'File' },
    { name: 'title', label: 'In words' },
  ],
  td: [{ name: 'colspan', label: 'Columns' }],
  th: [
    { name: 'colspan', label: 'Columns' },
    { name: 'scope', label: 'Heads', choices: ['col', 'row'] },
  ],
};

/** What an element says or shows besides its text: where a link leads, which picture. The same at all widths. */
export function ContentFields({ id, children }: { readonly id: string; readonly children?: ReactNode }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const element = page.elements[id];
  const fields = element && FIELDS[element.tag];
  if (!element || !fields) return null;
  const write = (name: string, value: string) =>
    commit({ type: 'setAttribute', node: id, name, value: value === '' && name !== 'alt' ? null : value });
  return (
    <section aria-label="Content" className="border-t border-line px-3.5 py-1">
      <h3 className="m-0 py-1 font-semibold text-muted" title="Content is shared by all widths">
        Content, at all widths
      </h3>
      {children}
      {fields.map(({ name, label, choices, flag }) => (
        <label key={`${id} ${name}`} className="flex items-start gap-1 py-px" title={name}>
          <span className="w-[87px] shrink-0 pt-0.5">{label}</span>
          {flag ? (
            <input
              type="checkbox"
              className="mt-1 accent-reed"
              checked={name in element.attributes}
              onChange={({ target }) =>
                commitOrReport({ type: 'setAttribute', node: id, name, value: target.checked ? '' : null })
              }
            />
          ) : (
            <CheckedField
              label={label}
              value={name === 'href' ? linkInWords(project, element.attributes.href ?? '') : (element.attributes[name] ?? '')}
              {...(name === 'href' ? { list: linkTargets(project, page) } : choices && { list: choices })}
              write={(value) => write(name, name === 'href' ? linkMeant(project, value) : value)}
            />
          )}
        </label>
      ))}
    </section>
  );
}
