'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useRef, useState } from 'react';
import type { At } from '@/core/breakpoints';
import { BASE } from '@/core/breakpoints';
import type { Photo, Project } from '@/core/document';
import type { Cut } from '@/core/pictures';
import { cutSchema, rectangleFor, ZOOM_MOST } from '@/core/pictures';
import { fileData, keepFile } from '@/core/render';
import { z } from 'zod';
import { placesOf } from '../breakpoints/places';
import { requestJson } from '../requests/requests';
import { shownPage, steadyProject, useSession } from '../state/store';
import { BAR_BUTTON, SELECT, YES_BUTTON } from '../theme/controls';
import { CheckedField } from '../value-controls/CheckedField';
import { FocusPad } from '../value-controls/FocusPad';
import { choiceOf, showPicture } from './shown';
import { cutOut } from './upload';

const close = () => useSession.setState({ cutting: undefined });

/** Cuts a part out of a picture for one place, around what must stay in sight. */
export function CutDialog() {
  const project = useSession(steadyProject);
  const cutting = useSession((session) => session.cutting);
  const page = useSession(shownPage);
  const element = cutting && page.elements[cutting.element];
  const words = cutting && choiceOf(project, cutting.element)?.words;
  const base = element?.attributes.src?.replace('picture:', '');
  const shown = cutting && project.pictures.find(({ id }) => id === (words?.[cutting.at] ?? base));
  return (
    <Dialog open={shown?.photo !== undefined} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="w-[620px] rounded-[6px] border border-line-strong bg-sheet p-5">
          {shown?.photo && (
            <CutForm key={shown.id} project={project} picture={shown} element={cutting!.element} at={cutting!.at} />
          )}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

const RATIOS: readonly (readonly [string, number])[] = [
  ['1 : 1', 1],
  ['4 : 3', 4 / 3],
  ['3 : 2', 3 / 2],
  ['16 : 9', 16 / 9],
  ['3 : 4', 3 / 4],
  ['4 : 5', 4 / 5],
];

/** "3 : 2", "1.5"; undefined for what is no ratio. */
function readRatio(text: string): number | undefined {
  const [, a, b = '1'] = /^\s*([\d.]+)\s*(?:[:/]\s*([\d.]+))?\s*$/.exec(text) ?? [];
  const ratio = Number(a) / Number(b);
  return a !== undefined && Number.isFinite(ratio) && ratio > 0 ? ratio : undefined;
}

const inWords = (ratio: number) =>
  RATIOS.find(([, known]) => Math.abs(known - ratio) < 0.001)?.[0] ?? String(Number(ratio.toFixed(3)));

interface FormProps {
  readonly project: Project;
  readonly picture: Photo;
  readonly element: string;
  readonly at: At;
}

function CutForm({ project, picture, element, at }: FormProps) {
  const { width, height, crop, hash } = picture.photo;
  const of = crop?.of ?? ([width, height] as const);
  const [cut, setCut] = useState<Cut>(() => ({
    ratio: width / height,
    focus: crop?.focus ?? [50, 50],
    zoom: crop ? Math.max(1, Math.min(ZOOM_MOST, Math.min(of[0], of[1] * (width / height)) / width)) : 1,
  }));
  const [words, setWords] = useState('');
  const [busy, setBusy] = useState(false);
  const whole = useWhole(project, picture, hash);
  const change = (part: Partial<Cut>) => setCut((before) => ({ ...before, ...part }));
  const rectangle = rectangleFor(of, cut);
  const where = placesOf(project).find((one) => one.at === at)?.words ?? '';
  const make = async () => {
    setBusy(true);
    setWords('Cutting, and making its files …');
    try {
      const made = await cutOut(picture.id, cut);
      if (showPicture(element, at, made)) close();
    } catch (error) {
      setWords((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (!busy) void make();
      }}
    >
      <DialogTitle className="m-0 text-[16px] font-bold">Cut {picture.fileName}</DialogTitle>
      <p className="my-2 text-muted">
        {at === BASE ? 'Shown at all widths where nothing else is chosen.' : `Shown at ${where} only.`} What is outside isn’t
        fetched there. Put the mark on what must stay in sight.
      </p>
      <FocusPad
        label="What must stay in sight"
        image={whole}
        of={of}
        rectangle={rectangle}
        focus={cut.focus}
        change={(focus) => change({ focus })}
      />
      <div className="flex items-end gap-4 pt-3">
        <label className="flex flex-col gap-0.5">
          Width to height
          <CheckedField
            label="Width to height"
            className="w-28"
            value={inWords(cut.ratio)}
            list={[...RATIOS.map(([text]) => text), { value: `${of[0]} : ${of[1]}`, word: 'as the whole' }]}
            write={(text) => {
              const ratio = readRatio(text);
              if (ratio === undefined) return 'A ratio is written like 3 : 2.';
              const checked = cutSchema.safeParse({ ...cut, ratio });
              if (!checked.success) return checked.error.issues[0]!.message;
              change({ ratio });
              return undefined;
            }}
          />
        </label>
        <label className="flex flex-1 flex-col gap-0.5">
          How close
          <input
            type="range"
            min={1}
            max={ZOOM_MOST}
            step={0.05}
            value={cut.zoom}
            className={`${SELECT} h-[22px] accent-reed`}
            onChange={(event) => change({ zoom: Number(event.target.value) })}
          />
        </label>
        <span className="w-32 pb-0.5 text-right font-mono text-xs text-muted" data-testid="cut-size">
          {rectangle.width} × {rectangle.height} px
        </span>
      </div>
      <div className="flex items-center justify-end gap-2 pt-4">
        <span role="status" className="mr-auto text-muted">
          {words}
        </span>
        <button type="button" className={BAR_BUTTON} onClick={close}>
          Cancel
        </button>
        <button type="submit" className={YES_BUTTON} disabled={busy}>
          Cut
        </button>
      </div>
    </form>
  );
}

const filesSchema = z.object({ files: z.record(z.string(), z.string()) });

/** The whole original to look at: what frames show of it where the project has it, else the file itself. */
function useWhole(project: Project, { photo }: Photo, hash: string): string | undefined {
  const other = photo.crop ? project.pictures.find((one) => one.photo?.hash === hash && !one.photo.crop)?.photo : photo;
  const [, setCount] = useState(0);
  const asked = useRef(false);
  const small = other && fileData(other.small);
  const known = small ?? fileData(hash);
  useEffect(() => {
    if (known !== undefined || asked.current) return;
    asked.current = true;
    requestJson(`/api/projects/${project.id}/files?hashes=${hash}`).then(
      (answer) => {
        for (const [key, data] of Object.entries(filesSchema.parse(answer).files)) keepFile(key, data);
        setCount((count) => count + 1);
      },
      () => undefined,
    );
  }, [known, hash, project.id]);
  return known;
}
