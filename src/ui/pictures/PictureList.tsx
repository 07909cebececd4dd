'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { Picture } from '@/core/document';
import { bytesOf, filesWithin } from '@/core/pictures';
import { pictureData } from '@/core/render';
import { writeTarget, steadyPage, steadyProject, useSession } from '../state/store';
import { commitOrReport } from '../editing/edits';
import { dropped, givenBy } from '../bring-in/gather';
import type { Given } from '../bring-in/gather';
import { useFileDrop } from '../input/file-drop';
import { BUTTON } from '../theme/controls';
import { bytesInWords } from '@/core/text';
import { showPicture, usesOfPictures } from './shown';
import type { Taken } from './upload';
import { addPictures } from './upload';

/** All pictures of the project; files are added by button or by drop, several at once. */
export function PictureList() {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const selected = useSession((session) => session.selection[session.selection.length - 1]);
  const at = useSession((session) => writeTarget(session));
  const [taken, setTaken] = useState<readonly Taken[]>([]);
  const [left, setLeft] = useState(0);
  const stop = useRef<AbortController>(undefined);
  useEffect(() => () => stop.current?.abort(), []);
  const uses = useMemo(() => usesOfPictures(project), [project]);
  const addresses = useMemo(() => pictureData(project), [project]);
  const image = selected !== undefined && page.elements[selected]?.tag === 'img' ? page.elements[selected] : undefined;
  const add = async (given: readonly Given[]) => {
    if (given.length === 0) return;
    const mine = (stop.current = new AbortController());
    setTaken([]);
    setLeft(given.length);
    const files = given.map(({ path, file }) => ({ name: path.split('/').pop()!, file }));
    const told = (one: Taken) => {
      setTaken((before) => [...before, one]);
      setLeft((count) => count - 1);
    };
    await addPictures(files, told, mine.signal);
    setLeft(0);
  };
  const drop = useFileDrop((transfer) => void dropped(transfer).then(add));
  return (
    <div
      className={`flex min-h-0 flex-1 flex-col rounded-[4px] ${drop.over ? 'outline-2 outline-reed outline-dashed' : ''}`}
      data-testid="picture-drop"
      {...drop.handlers}
    >
      <div className="flex items-center gap-2 pb-2">
        <label className={`${BUTTON} shrink-0 cursor-pointer focus-within:outline`}>
          Add pictures …
          <input
            type="file"
            multiple
            accept=".png,.jpg,.jpeg,.webp,.avif,.svg"
            className="sr-only"
            onChange={({ target }) => {
              void add(givenBy(target.files));
              target.value = '';
            }}
          />
        </label>
        <span className="text-muted">PNG, JPEG, WebP, AVIF or SVG; or drop them here.</span>
        {left > 0 && (
          <>
            <span role="status" className="ml-auto text-muted">
              Reading, {left} to go …
            </span>
            <button type="button" className={BUTTON} onClick={() => stop.current?.abort()}>
              Stop
            </button>
          </>
        )}
      </div>
      {taken.some(({ words }) => words.length > 0) && (
        <ul aria-label="What became of the files" aria-live="polite" className="m-0 max-h-28 list-none overflow-auto p-0 pb-2">
          {taken.flatMap(({ name, words, picture }) =>
            words.map((text) => (
              <li key={name + text} className={picture ? 'text-muted' : 'text-rust'}>
                {text}
              </li>
            )),
          )}
        </ul>
      )}
      <ul aria-label="Pictures of the project" className="m-0 min-h-0 flex-1 list-none overflow-auto border-t border-line p-0">
        {project.pictures.length === 0 && <li className="p-3 text-muted">There is no picture yet.</li>}
        {project.pictures.map((picture) => {
          const count = uses.get(picture.id) ?? 0;
          return (
            <li key={picture.id} className="flex items-center gap-3 border-b border-line py-1.5">
              <img
                alt=""
                src={addresses.picture(picture.id)}
                className="h-12 w-[72px] shrink-0 rounded-[3px] bg-well object-contain"
              />
              <span className="min-w-0 flex-1">
                <span className="block truncate font-semibold">{picture.fileName}</span>
                <span className="block truncate text-xs text-muted">{about(picture)}</span>
              </span>
              <span className="w-24 shrink-0 text-right text-xs text-muted">
                {count === 0 ? 'not shown' : `shown ${count === 1 ? 'once' : `${count} times`}`}
              </span>
              <button
                type="button"
                className={BUTTON}
                disabled={!image}
                title={image ? `In ${image.name}, at the write target` : 'Select an image on the page first'}
                onClick={() => showPicture(image!.id, at, picture)}
              >
                Show
              </button>
              <button
                type="button"
                className={BUTTON}
                disabled={count > 0}
                title={count > 0 ? 'Something shows it' : 'Takes it out of the project'}
                aria-label={`Remove ${picture.fileName}`}
                onClick={() => commitOrReport({ type: 'removePicture', id: picture.id })}
              >
                Remove
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function about(picture: Picture): string {
  const { photo } = picture;
  if (!photo) return `drawing · ${bytesInWords(bytesOf(picture))}`;
  const files = filesWithin(photo);
  const [first, last] = [files[0]!, files[files.length - 1]!];
  return [
    `${photo.width} × ${photo.height} px`,
    photo.crop ? `cut out of ${photo.crop.of.join(' × ')}` : `original ${bytesInWords(photo.bytes)}`,
    `handed over ${first.width} to ${last.width} px wide, ${bytesInWords(first.bytes)} to ${bytesInWords(last.bytes)}`,
  ].join(' · ');
}
