'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useEffect, useState } from 'react';
import type { FrameParts } from '../requests/requests';
import { loadFrameParts } from '../requests/requests';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON, MENU, MENU_ITEM } from '../theme/controls';
import { showPage } from '../view/actions';
import { report } from '../editing/edits';
import { addPage, takeIn, movePage, openPage, removePage } from './page-actions';
import type { CardProps } from './PageCard';
import { PageCard } from './PageCard';
import { Cards } from './Cards';
import { usePageDragging } from './page-dragging';
import type { Page } from '@/core/document';
import { partNamed } from '@/core/document';
import { usesInWords } from '@/core/plans';
import { openPart } from '../parts/part-actions';
import { BringInDialog } from '../bring-in/BringInDialog';
import type { Given } from '../bring-in/gather';
import { useKeyHint } from '../input/key-choices';
import { PartForm } from '../parts/PartForm';
import { PageForm } from './PageForm';
import { Reached } from './Reached';
import { ProjectSettings } from './ProjectSettings';

/** Viewports that pictures show, px: parts are mostly smaller than pages. */
const PAGE_WIDTH = 1280;
const PART_WIDTH = 560;

/** All pages of the project, and its parts: what they look like, their order, what they say of themselves. */
export function PagesPanel() {
  const partKey = useKeyHint('make-part');
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const findings = useSession((session) => session.findings);
  const sweeps = useSession((session) => session.sweeps);
  const part = partNamed(project, page.id);
  const [parts, setParts] = useState<FrameParts>();
  const [given, setGiven] = useState<readonly Given[]>();
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  useEffect(() => {
    loadFrameParts().then(setParts, (error: Error) => report(`The pictures can't be shown: ${error.message}`));
  }, []);

  const focusCard = (id: string) =>
    requestAnimationFrame(() => scroller?.querySelector<HTMLElement>(`[data-page="${id}"]`)?.focus());
  const keyDown = (event: React.KeyboardEvent) => {
    const all = [...project.pages, ...project.parts];
    const at = all.findIndex(({ id }) => id === page.id);
    const isPart = partNamed(project, page.id) !== undefined;
    const by = ({ ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 } as Record<string, number>)[event.key];
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    if (by !== undefined && event.altKey) {
      if (isPart) return;
      movePage(page.id, by);
      focusCard(page.id);
    } else if (by !== undefined) {
      const next = all[at + by];
      if (next) showPage(next.id);
      focusCard(next?.id ?? page.id);
    } else if (event.altKey) return;
    else if (event.key === 'Enter' && isPart) openPart(page.id);
    else if (event.key === 'Enter') openPage(page.id);
    else if (event.key === 'Delete' && isPart) useSession.setState({ removingPart: page.id });
    else if (event.key === 'Delete') {
      removePage(page.id);
      focusCard(useSession.getState().pageId);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const { dragged, press, sideOf } = usePageDragging(scroller);
  const ids = project.pages.map(({ id }) => id);
  const card = (
    one: Page,
    about: Pick<CardProps, 'file' | 'open' | 'width' | 'sweep' | 'press' | 'dragged' | 'drop' | 'place'>,
  ) => (
    <PageCard
      key={one.id}
      {...about}
      project={project}
      page={one}
      parts={parts}
      scroller={scroller}
      current={one.id === page.id}
      wrong={findings[one.id]?.length ?? 0}
      keyDown={keyDown}
    />
  );
  return (
    <section aria-label="Pages" className="flex min-h-0 flex-1 bg-paper max-[900px]:flex-col">
      <BringInDialog given={given} close={() => setGiven(undefined)} project={project.id} take={takeIn} />
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <header className="flex min-h-10 shrink-0 flex-wrap items-center gap-x-2 gap-y-1 border-b border-line bg-sheet px-3.5">
          <h1 className="m-0 text-[length:inherit] font-bold">Pages</h1>
          <span className="font-mono text-muted">{project.pages.length}</span>
          <Menu>
            <MenuButton className={`${BUTTON} ml-2`}>Add a page</MenuButton>
            <MenuItems anchor="bottom start" className={MENU}>
              <MenuItem>
                <button type="button" className={MENU_ITEM} onClick={() => addPage({ from: 'empty' })}>
                  Empty
                  <span className="block text-xs text-muted">A heading and a first text</span>
                </button>
              </MenuItem>
              <MenuItem>
                <button type="button" className={MENU_ITEM} onClick={() => addPage({ from: 'around', page: page.id })}>
                  What stands around {page.name}
                  <span className="block text-xs text-muted">Everything but what is in its main part</span>
                </button>
              </MenuItem>
              <MenuItem>
                <button type="button" className={MENU_ITEM} onClick={() => addPage({ from: 'copy', page: page.id })}>
                  Copy of {page.name}
                  <span className="block text-xs text-muted">With all its values</span>
                </button>
              </MenuItem>
              <MenuItem>
                <button type="button" className={MENU_ITEM} onClick={() => setGiven([])}>
                  Bring in pages …<span className="block text-xs text-muted">HTML and CSS that somebody else wrote</span>
                </button>
              </MenuItem>
            </MenuItems>
          </Menu>
          <Reached pages={project.pages} sweeps={sweeps} findings={findings} />
          <p className="m-0 ml-auto truncate text-xs text-muted">Arrows choose, dragging or Alt moves; Enter shapes the page.</p>
        </header>
        <div ref={setScroller} className="min-h-0 flex-1 overflow-auto p-4">
          <div>
            <Cards label="Pages in their order" pages={project.pages} current={page.id} scroller={scroller}>
              {(one, place) =>
                card(one, {
                  ...{ file: one.brought?.file ?? `${one.slug}.html`, open: openPage, width: PAGE_WIDTH, sweep: sweeps[one.id] },
                  ...{ press: (event) => press(event, one.id), dragged: dragged === one.id, drop: sideOf(one.id, ids), place },
                })
              }
            </Cards>
            <h2 className="m-0 pt-5 pb-2 font-bold">
              Parts <span className="font-mono font-normal text-muted">{project.parts.length}</span>
            </h2>
            {project.parts.length === 0 && (
              <p className="m-0 text-muted">
                None yet. Select a header, a footer or a card on a page and make a part of it{partKey}: changed once, it changes
                everywhere.
              </p>
            )}
            <Cards label="Parts" pages={project.parts} current={page.id} scroller={scroller}>
              {(one, place) =>
                card(one, { file: usesInWords(project, one.id), open: openPart, width: PART_WIDTH, sweep: undefined, place })
              }
            </Cards>
          </div>
        </div>
      </div>
      <aside className="w-[300px] shrink-0 overflow-auto border-l border-line bg-sheet max-[900px]:h-1/2 max-[900px]:w-full max-[900px]:border-t max-[900px]:border-l-0">
        {part ? <PartForm key={page.id} part={part} /> : <PageForm key={page.id} page={page} />}
        <ProjectSettings />
      </aside>
    </section>
  );
}
