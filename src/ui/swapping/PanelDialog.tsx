'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { BASE } from '@/core/breakpoints';
import type { Panel, PanelEdge, PanelKind } from '@/core/document';
import { PANEL_EDGES, PANEL_KINDS, whyNoPanel } from '@/core/document';
import type { PanelWish } from '@/core/plans';
import { placesOf } from '../breakpoints/places';
import { steadyPage, steadyProject, useSession, writeTarget } from '../state/store';
import { BAR_BUTTON, SELECT, YES_BUTTON } from '../theme/controls';
import { Tick } from './PanelFields';
import { makePanel } from './panels';

/** How each kind usually behaves; all of it can be said otherwise. */
const USUAL: Readonly<Record<PanelKind, Pick<Panel, 'edge' | 'locks' | 'outside' | 'links'>>> = {
  drawer: { edge: 'left', locks: true, outside: true, links: true },
  sheet: { edge: 'bottom', locks: true, outside: true, links: true },
  menu: { edge: 'right', outside: true, links: true },
  dialog: { locks: true, outside: true },
  disclosure: {},
};

const close = () => useSession.setState({ makingPanel: undefined });

/** What is asked before something becomes a panel. */
export function PanelDialog() {
  const page = useSession(steadyPage);
  const making = useSession((session) => session.makingPanel);
  const element = making === undefined ? undefined : page.elements[making];
  return (
    <Dialog open={element !== undefined} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="w-[440px] rounded-[6px] border border-line-strong bg-sheet p-5">
          {element && <PanelForm key={element.id} id={element.id} name={element.name} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function PanelForm({ id, name }: { id: string; name: string }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const at = useSession((session) => writeTarget(session));
  const [wish, setWish] = useState<PanelWish>(() => wishFor('drawer', at));
  const isOver = wish.kind !== 'disclosure';
  const why = isOver ? whyNoPanel(page.elements[id]!, wish.kind) : undefined;
  const change = (fields: Partial<PanelWish>) => setWish((before) => ({ ...before, ...fields }));
  const buttons = Object.values(page.elements).filter(
    ({ tag, attributes }) => tag === 'button' && attributes.popovertarget === undefined,
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (makePanel(id, wish)) close();
      }}
    >
      <DialogTitle className="m-0 text-[16px] font-bold">Make {name} a panel</DialogTitle>
      <p className="my-2 text-muted">
        A panel is closed until something opens it. Where it isn’t one it stands in the page as before, with the same content.
      </p>
      <Row label="It is a">
        <select
          autoFocus
          className={SELECT}
          value={wish.kind}
          onChange={(event) => setWish({ ...wishFor(event.target.value as PanelKind, wish.at), opener: wish.opener })}
        >
          {PANEL_KINDS.map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </select>
      </Row>
      <Row label="Where">
        <select className={SELECT} value={wish.at} onChange={(event) => change({ at: event.target.value })}>
          <option value={BASE}>everywhere</option>
          {placesOf(project)
            .filter((one) => one.at !== BASE)
            .map((one) => (
              <option key={one.at} value={one.at}>
                only at {one.words}
              </option>
            ))}
        </select>
      </Row>
      {wish.kind !== 'dialog' && isOver && (
        <Row label="Comes from the">
          <select className={SELECT} value={wish.edge} onChange={(event) => change({ edge: event.target.value as PanelEdge })}>
            {PANEL_EDGES.map((edge) => (
              <option key={edge}>{edge}</option>
            ))}
          </select>
        </Row>
      )}
      {isOver && (
        <>
          <Row label="Covers">
            <select
              className={SELECT}
              value={wish.covers}
              onChange={(event) => change({ covers: event.target.value as 'part' | 'all' })}
            >
              <option value="part">a part of the screen</option>
              <option value="all">the whole screen</option>
            </select>
          </Row>
          <Row label="Opened by">
            <select
              className={SELECT}
              value={wish.opener ?? ''}
              onChange={(event) => change({ opener: event.target.value || undefined })}
            >
              <option value="">a new button before it</option>
              {buttons.map(({ id: node, name }) => (
                <option key={node} value={node}>
                  {name}
                </option>
              ))}
            </select>
          </Row>
          <Tick label="The page behind holds still" isOn={wish.locks} change={(on) => change({ locks: on === true })} />
          <Tick label="A press outside closes it" isOn={wish.outside} change={(on) => change({ outside: on === true })} />
          {wish.kind !== 'dialog' && (
            <Tick label="It slides in from its edge" isOn={wish.slides} change={(on) => change({ slides: on === true })} />
          )}
          <Tick label="A link in it closes it" isOn={wish.links} change={(on) => change({ links: on === true })} />
        </>
      )}
      {why && (
        <p role="alert" className="m-0 pt-2 text-rust">
          {why}
        </p>
      )}
      <p className="m-0 flex justify-end gap-2 pt-3">
        <button type="button" className={BAR_BUTTON} onClick={close}>
          Leave it
        </button>
        <button type="submit" disabled={why !== undefined} className={`${YES_BUTTON} disabled:opacity-50`}>
          Make the panel
        </button>
      </p>
    </form>
  );
}

function wishFor(kind: PanelKind, at: string): PanelWish {
  const { edge = 'right', locks = false, outside = false, links = false } = USUAL[kind];
  return { kind, at, edge, covers: 'part', locks, outside, links, slides: kind !== 'menu' };
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <label className="flex items-center justify-between gap-2 py-0.5">
      <span className="text-muted">{label}</span>
      {children}
    </label>
  );
}
