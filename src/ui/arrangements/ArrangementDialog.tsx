'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Arrangement, Family, Wish } from '@/core/arrangements';
import { ARRANGEMENTS, FAMILIES, placesFor } from '@/core/arrangements';
import { pageOf } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BAR_BUTTON, YES_BUTTON } from '../theme/controls';
import type { Thought } from './arrangements';
import { apply, measureFor, thinkArrangement, thinkRecipe, whyNotFor } from './arrangements';
import { BeforeAfter } from './BeforeAfter';
import { OwnRecipes } from './OwnRecipes';
import { WishFields } from './WishFields';
import { widthsFor } from './widths';

const FAMILY_WORDS: Readonly<Record<Family, string>> = {
  header: 'Headers',
  content: 'Rows, tables, lists',
  wide: 'Room on wide screens',
};

const close = () => useSession.setState({ arrangementFor: undefined });

/** The choice of ready arrangements and one's own, with the page before and after at three widths. */
export function ArrangementDialog() {
  const page = useSession(steadyPage);
  const id = useSession((session) => session.arrangementFor);
  const element = id === undefined ? undefined : page.elements[id];
  return (
    <Dialog open={element !== undefined} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="flex max-h-full w-[1180px] max-w-full flex-col rounded-[6px] border border-line-strong bg-sheet p-4">
          {element && <Chooser key={element.id} id={element.id} name={element.name} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Chooser({ id, name }: { id: string; name: string }) {
  const project = useSession(steadyProject);
  const slice = useSession((session) => session.slice);
  const page = useSession(steadyPage);
  const offered = useMemo(
    () => ARRANGEMENTS.map((arrangement) => ({ arrangement, why: whyNotFor(project, id, arrangement) })),
    [project, id],
  );
  const [chosen, setChosen] = useState<string | undefined>(() => offered.find(({ why }) => why === undefined)?.arrangement.id);
  const [wish, setWish] = useState<Partial<Wish>>({});
  const [measuring, setMeasuring] = useState<string>();
  const [wrong, setWrong] = useState('');
  const arrangement = ARRANGEMENTS.find((one) => one.id === chosen);
  const recipe = project.recipes.find((one) => one.id === chosen);
  const choose = (next: string) => {
    setChosen(next);
    setWish({});
    setWrong('');
  };
  const change = (fields: Partial<Wish>) => setWish((before) => ({ ...before, widths: undefined, ...fields }));

  const toMeasure = arrangement?.measures && !wish.widths ? arrangement : undefined;
  useEffect(() => {
    if (!toMeasure) return undefined;
    let over = false;
    setMeasuring('Measuring where the entries no longer fit …');
    measureFor(project, id, toMeasure, wish).then(
      (widths) => !over && (setMeasuring(undefined), setWish((before) => ({ ...before, widths }))),
      (error: Error) => !over && setMeasuring(error.message),
    );
    return () => {
      over = true;
      setMeasuring(undefined);
    };
    // Measured anew whenever something else is wished.
  }, [toMeasure, project, id, wish]);

  const asked = useDeferredValue(wish);
  const thought = useMemo((): Thought | undefined => {
    if (recipe) return thinkRecipe(project, slice, id, recipe);
    if (!arrangement || (arrangement.measures && !asked.widths)) return undefined;
    return thinkArrangement(project, slice, id, arrangement, asked);
  }, [project, slice, id, arrangement, recipe, asked]);
  const plan = thought && 'plan' in thought ? thought.plan : undefined;
  const after = useMemo(() => {
    if (!plan) return undefined;
    const made = applyEdit(project, plan.edit).document;
    return { project: made, page: pageOf(made, page.id) ?? page };
  }, [project, page, plan]);
  const place = arrangement ? (wish.at ?? placesFor(project, arrangement)[0] ?? 'base') : 'base';
  const widths = useMemo(() => widthsFor(project, place), [project, place]);

  return (
    <form
      className="flex min-h-0 flex-col"
      onSubmit={(event) => {
        event.preventDefault();
        if (!plan) return;
        const problem = apply(plan.edit);
        if (problem) setWrong(problem);
        else close();
      }}
    >
      <DialogTitle className="m-0 pb-2 text-[16px] font-bold">Arrange {name}</DialogTitle>
      <div className="flex min-h-0 flex-1 gap-4">
        <div className="w-[250px] shrink-0 overflow-auto pr-1">
          {FAMILIES.map((family) => (
            <Offers
              key={family}
              title={FAMILY_WORDS[family]}
              offers={offered.filter((one) => one.arrangement.family === family)}
              chosen={chosen}
              onChoose={choose}
            />
          ))}
          <OwnRecipes id={id} chosen={chosen} onChoose={choose} />
        </div>
        <div className="flex min-h-0 min-w-0 flex-1 flex-col overflow-auto">
          {arrangement && (
            <>
              <p className="m-0 pb-1.5">{arrangement.does}</p>
              <WishFields key={arrangement.id} id={id} arrangement={arrangement} wish={wish} onChange={change} />
            </>
          )}
          {(arrangement ?? recipe) && <BeforeAfter before={{ project, page }} after={after} widths={widths} id={id} room={870} />}
          <div role="status" aria-live="polite" className="min-h-5">
            {measuring && <p className="m-0 text-muted">{measuring}</p>}
            {wrong && <p className="m-0 text-rust">{wrong}</p>}
            {!measuring && thought && 'why' in thought && <p className="m-0 text-rust">{thought.why}</p>}
            {plan && (
              <ul aria-label="What will change" className="m-0 max-h-28 list-none overflow-auto p-0 text-xs">
                {plan.details.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            )}
          </div>
        </div>
      </div>
      <div className="flex items-center justify-end gap-2 pt-3">
        <span className="mr-auto text-xs text-muted">Ordinary elements and values from then on; it can be taken back whole.</span>
        <button type="button" className={BAR_BUTTON} onClick={close}>
          Cancel
        </button>
        <button type="submit" className={YES_BUTTON} disabled={!plan}>
          Arrange
        </button>
      </div>
    </form>
  );
}

interface OffersProps {
  readonly title: string;
  readonly offers: readonly { readonly arrangement: Arrangement; readonly why: string | undefined }[];
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}

function Offers({ title, offers, chosen, onChoose }: OffersProps) {
  return (
    <fieldset className="m-0 border-0 p-0 pb-2">
      <legend className="p-0 text-xs font-semibold text-muted">{title}</legend>
      {offers.map(({ arrangement: { id, name }, why }) => (
        <div key={id} className={`rounded-[3px] px-1 py-px ${chosen === id ? 'bg-reed-tint' : ''}`} title={why}>
          <label className={`flex items-baseline gap-1.5 ${why ? 'text-muted' : ''}`}>
            <input
              type="radio"
              name="arrangement"
              className="accent-reed"
              checked={chosen === id}
              aria-describedby={why ? `why-${id}` : undefined}
              onChange={() => onChoose(id)}
            />
            {name}
          </label>
          {why && (
            <span id={`why-${id}`} className="sr-only">
              {why}
            </span>
          )}
        </div>
      ))}
    </fieldset>
  );
}
