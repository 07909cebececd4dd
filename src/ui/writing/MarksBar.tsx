'use client';

import { Menu, MenuButton, MenuItem, MenuItems, Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useEffect, useRef } from 'react';
import { whyNotAttribute } from '@/core/document';
import { commit } from '../editing/edits';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON, MENU, MENU_ITEM, PANEL } from '../theme/controls';
import { CheckedField } from '../value-controls/CheckedField';
import { backToText, bar, breakLine, stopWriting, toggleMark } from '../stage/writing';
import { linkInWords, linkMeant, linkTargets } from '../value-controls/link-targets';

const MARKS = [
  { tag: 'strong', name: 'Strong', key: 'Ctrl+B', look: 'font-bold' },
  { tag: 'em', name: 'Emphasis', key: 'Ctrl+I', look: 'italic' },
  { tag: 'code', name: 'Code', key: 'Ctrl+E', look: 'font-mono' },
  { tag: 'small', name: 'Small', key: '', look: 'text-xs' },
] as const;

/** Without taking the keyboard away from the text. */
const keepFocus = (event: React.MouseEvent) => event.preventDefault();

/** What a stretch of the text that is being written can become. In sight while somebody writes. */
export function MarksBar() {
  const writing = useSession((session) => session.writing);
  const project = useSession(steadyProject);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    bar.focus = () => box.current?.querySelector<HTMLElement>('button:not(:disabled)')?.focus();
    return () => void (bar.focus = () => undefined);
  }, []);
  const id = writing?.id;
  useEffect(() => {
    if (id === undefined) return undefined;
    const pressed = (event: PointerEvent) => {
      if (!(event.target instanceof Element) || !event.target.closest('[data-marks-bar]')) stopWriting();
    };
    addEventListener('pointerdown', pressed, true);
    return () => removeEventListener('pointerdown', pressed, true);
  }, [id]);
  if (!writing) return null;
  const { marks, start, end } = writing;
  const has = (tag: string) => marks.some((mark) => mark.tag === tag);
  const chosen = start < end;
  return (
    <div
      ref={box}
      data-marks-bar
      role="toolbar"
      aria-label="Marks of the text"
      className="absolute bottom-3 left-1/2 z-30 flex -translate-x-1/2 items-center gap-1 whitespace-nowrap rounded-[5px] border border-line-strong bg-sheet px-2 py-1.5 shadow-lg"
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented) backToText();
        const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
        if (by === 0 || (event.target as HTMLElement).tagName === 'INPUT') return;
        const buttons = [
          ...event.currentTarget.querySelectorAll<HTMLElement>(
            ':scope > button:not(:disabled), :scope > * > button:not(:disabled)',
          ),
        ];
        const at = buttons.indexOf(document.activeElement as HTMLElement);
        buttons[(at + by + buttons.length) % buttons.length]?.focus();
      }}
    >
      {MARKS.map(({ tag, name, key, look }) => (
        <button
          key={tag}
          type="button"
          aria-pressed={has(tag)}
          aria-keyshortcuts={key ? key.replace('Ctrl', 'Control') : undefined}
          disabled={!chosen && !has(tag)}
          title={key ? `${name} (${key})` : name}
          className={`${BUTTON} ${look} ${has(tag) ? 'border-reed bg-reed-tint' : ''}`}
          onMouseDown={keepFocus}
          onClick={() => toggleMark(tag)}
        >
          {name}
        </button>
      ))}
      <LinkButton chosen={chosen} />
      <Menu>
        <MenuButton className={BUTTON} disabled={!chosen || project.shared.length === 0} onMouseDown={keepFocus}>
          Shared style
        </MenuButton>
        <MenuItems anchor="top" className={MENU} data-marks-bar>
          {project.shared.map(({ id, name }) => (
            <MenuItem key={id}>
              <button type="button" className={MENU_ITEM} onClick={() => toggleMark('span', { shared: [id] })}>
                {name}
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
      {has('span') && (
        <button type="button" className={BUTTON} onMouseDown={keepFocus} onClick={() => toggleMark('span')}>
          No span
        </button>
      )}
      <button
        type="button"
        className={BUTTON}
        title="Line break (Shift+Enter)"
        onMouseDown={keepFocus}
        onClick={() => breakLine()}
      >
        Line break
      </button>
      <button type="button" className={BUTTON} title="End writing (Escape)" onMouseDown={keepFocus} onClick={() => stopWriting()}>
        Done
      </button>
    </div>
  );
}

/** Makes a stretch a link, or says where the link leads in which the caret stands. */
function LinkButton({ chosen }: { chosen: boolean }) {
  const writing = useSession((session) => session.writing);
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const link = writing?.marks.find(({ tag }) => tag === 'a');
  const href = link && page.elements[link.id]?.attributes.href;
  // The field writes when it's left, too, and it's left when it has written.
  const written = useRef('');
  const write = (value: string, close: () => void) => {
    if (written.current === value) return undefined;
    const why = value === '' ? 'Write where the link leads.' : whyNotAttribute('a', 'href', value);
    if (why) return why;
    const problem =
      link && page.elements[link.id]
        ? commit({ type: 'setAttribute', node: link.id, name: 'href', value })
        : void toggleMark('a', { attributes: { href: value } });
    if (!problem) {
      written.current = value;
      close();
      backToText();
    }
    return problem;
  };
  return (
    <Popover>
      <PopoverButton
        className={`${BUTTON} ${link ? 'border-reed bg-reed-tint' : ''} underline`}
        disabled={!chosen && !link}
        onClick={() => (written.current = '')}
        onMouseDown={keepFocus}
      >
        Link
      </PopoverButton>
      <PopoverPanel anchor="top" focus className={PANEL} data-marks-bar>
        {({ close }) => (
          <>
            <span className="block pb-1 text-muted">Leads to: a page of this project, an address, or # and an id</span>
            <CheckedField
              label="Leads to"
              value={linkInWords(project, href ?? '')}
              list={linkTargets(project, page)}
              write={(value) => write(linkMeant(project, value), close)}
            />
            {link && (
              <button
                type="button"
                className={`${BUTTON} mt-2`}
                onClick={() => {
                  toggleMark('a');
                  close();
                  backToText();
                }}
              >
                No link
              </button>
            )}
          </>
        )}
      </PopoverPanel>
    </Popover>
  );
}
