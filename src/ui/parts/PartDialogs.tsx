'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useMemo } from 'react';
import type { Project } from '@/core/document';
import { pageOf, partNamed, usesOf } from '@/core/document';
import { alikeTo, usesInWords } from '@/core/plans';
import { useSession } from '../state/store';
import { BAR_BUTTON, DANGER_BUTTON, YES_BUTTON } from '../theme/controls';
import { makePart, removePart } from './part-actions';

const close = () => useSession.setState({ makingPart: undefined, removingPart: undefined });

/** What has to be asked before a part is made of elements that stand elsewhere too, or removed while it is used. */
export function PartDialogs() {
  const project = useSession((session) => session.project);
  const page = useSession((session) => pageOf(session.project, session.pageId));
  const making = useSession((session) => session.makingPart);
  const removing = useSession((session) => session.removingPart);
  const element = making === undefined ? undefined : page?.elements[making];
  const part = removing === undefined ? undefined : partNamed(project, removing);
  return (
    <Dialog open={element !== undefined || part !== undefined} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="w-[480px] rounded-[6px] border border-line-strong bg-sheet p-5">
          {element && <Making key={element.id} project={project} id={element.id} name={element.name} />}
          {part && <Removing project={project} id={part.id} name={part.name} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Making({ project, id, name }: { project: Project; id: string; name: string }) {
  const others = useMemo(() => alikeTo(project, id), [project, id]);
  const pages = new Set(others.map(({ tree }) => tree.name));
  const make = (everywhere: boolean) => {
    close();
    makePart(id, everywhere);
  };
  return (
    <>
      <DialogTitle className="m-0 text-[16px] font-bold">Make {name} a part</DialogTitle>
      <p className="my-2">
        A part is made once and used on many pages: what is changed in it changes in all of its uses.{' '}
        {others.length === 0
          ? 'Nothing that is the same stands anywhere else.'
          : `The same stands ${others.length === 1 ? 'once more' : `${others.length} times more`}, on ${[...pages].join(', ')}. Texts, links and pictures may differ; each use keeps its own.`}
      </p>
      <div className="flex justify-end gap-2">
        <button type="button" className={BAR_BUTTON} onClick={close}>
          Leave it
        </button>
        <button
          type="button"
          className={others.length === 0 ? YES_BUTTON : BAR_BUTTON}
          autoFocus={others.length === 0}
          onClick={() => make(false)}
        >
          {others.length === 0 ? 'Make it a part' : 'Only here'}
        </button>
        {others.length > 0 && (
          <button type="button" className={YES_BUTTON} autoFocus onClick={() => make(true)}>
            Here and there: {others.length + 1} uses
          </button>
        )}
      </div>
    </>
  );
}

function Removing({ project, id, name }: { project: Project; id: string; name: string }) {
  const used = usesOf(project, id).length > 0;
  const remove = (fate: 'apart' | 'remove') => {
    close();
    removePart(id, fate);
  };
  return (
    <>
      <DialogTitle className="m-0 text-[16px] font-bold">Remove the part {name}</DialogTitle>
      <p className="my-2">
        {used ? `It has ${usesInWords(project, id)}. What becomes of them?` : 'It is used nowhere. Undo brings it back.'}
      </p>
      <div className="flex justify-end gap-2">
        <button type="button" className={BAR_BUTTON} onClick={close}>
          Keep the part
        </button>
        {used && (
          <button type="button" className={BAR_BUTTON} autoFocus onClick={() => remove('apart')}>
            They stay, each by itself
          </button>
        )}
        <button type="button" className={DANGER_BUTTON} autoFocus={!used} onClick={() => remove('remove')}>
          {used ? 'They go with it' : 'Remove it'}
        </button>
      </div>
    </>
  );
}
