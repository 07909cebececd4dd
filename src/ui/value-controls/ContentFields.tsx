'use client';

import { INPUT_TYPES } from '@/core/document';
import { commit } from '../editing/edits';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { CheckedField } from './CheckedField';

interface Field {
  readonly name: string;
  readonly label: string;
  readonly choices?: readonly string[];
}

const FIELDS: Readonly<Record<string, readonly Field[]>> = {
  a: [{ name: 'href', label: 'Leads to' }],
  img: [{ name: 'alt', label: 'In words' }],
  input: [
    { name: 'type', label: 'Kind', choices: INPUT_TYPES },
    { name: 'name', label: 'Name' },
    { name: 'placeholder', label: 'Hint' },
  ],
  textarea: [
    { name: 'name', label: 'Name' },
    { name: 'placeholder', label: 'Hint' },
  ],
  form: [{ name: 'action', label: 'Sends to' }],
  label: [{ name: 'for', label: 'For field' }],
  button: [{ name: 'type', label: 'Kind', choices: ['button', 'submit', 'reset'] }],
  td: [{ name: 'colspan', label: 'Columns' }],
  th: [
    { name: 'colspan', label: 'Columns' },
    { name: 'scope', label: 'Heads', choices: ['col', 'row'] },
  ],
};

/** What an element says or shows besides its text: where a link leads, which picture. The same at all widths. */
export function ContentFields({ id }: { id: string }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const element = page.elements[id];
  const fields = element && FIELDS[element.tag];
  if (!element || !fields) return null;
  const write = (name: string, value: string) =>
    commit({ type: 'setAttribute', node: id, name, value: value === '' && name !== 'alt' ? null : value });
  const pages = project.pages.map((one) => ({ value: `page:${one.id}`, word: `${one.name}, a page of this project` }));
  return (
    <section aria-label="Content" className="border-t border-line px-3.5 py-1">
      <h3 className="m-0 py-1 font-semibold text-muted" title="Content is shared by all widths">
        Content, at all widths
      </h3>
      {element.tag === 'img' && (
        <label className="flex items-center gap-1 py-px">
          <span className="w-[87px] shrink-0">Picture</span>
          <select
            className="h-[22px] min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well"
            value={element.attributes.src?.replace('picture:', '') ?? ''}
            onChange={(event) => write('src', `picture:${event.target.value}`)}
          >
            {!element.attributes.src && <option value="">none</option>}
            {project.pictures.map((picture) => (
              <option key={picture.id} value={picture.id}>
                {picture.fileName}
              </option>
            ))}
          </select>
        </label>
      )}
      {fields.map(({ name, label, choices }) => (
        <label key={`${id} ${name}`} className="flex items-start gap-1 py-px" title={name}>
          <span className="w-[87px] shrink-0 pt-0.5">{label}</span>
          <CheckedField
            label={label}
            value={element.attributes[name] ?? ''}
            {...(name === 'href' ? { list: [...pages, { value: '#', word: 'nowhere yet' }] } : choices && { list: choices })}
            write={(value) => write(name, value)}
          />
        </label>
      ))}
    </section>
  );
}
