'use client';

import { BASE } from '@/core/breakpoints';
import { picturesNamed } from '@/core/document';
import { placesOf } from '../breakpoints/places';
import { steadyPage, steadyProject, useSession, writeTarget } from '../state/store';
import { BUTTON } from '../theme/controls';
import { choiceOf, showPicture } from './shown';

const FIELD = 'h-[22px] min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well';

/** Which picture an image shows: at the base, and another where values are written to now. */
export function PictureFields({ id }: { readonly id: string }) {
  const element = useSession((session) => steadyPage(session).elements[id]);
  const project = useSession(steadyProject);
  const at = useSession((session) => writeTarget(session));
  if (element?.tag !== 'img') return null;
  const { pictures } = project;
  const base = element.attributes.src?.replace('picture:', '') ?? '';
  const choosing = choiceOf(project, element.id);
  const here = at === BASE ? undefined : choosing?.words[at];
  const where = placesOf(project).find((one) => one.at === at)?.words ?? '';
  const show = (place: string, id: string) =>
    showPicture(
      element.id,
      place,
      pictures.find((one) => one.id === id),
    );
  const options = pictures.map((picture) => (
    <option key={picture.id} value={picture.id}>
      {picture.fileName}
    </option>
  ));
  const cut = pictures.find(({ id }) => id === (here ?? base));
  return (
    <>
      <label className="flex items-center gap-1 py-px">
        <span className="w-[87px] shrink-0">Picture</span>
        <select className={FIELD} value={base} onChange={(event) => show(BASE, event.target.value)}>
          {!pictures.some(({ id }) => id === base) && <option value={base}>{base === '' ? 'none' : 'its own file'}</option>}
          {options}
        </select>
      </label>
      {at !== BASE && choosing && (
        <label className="flex items-center gap-1 py-px" title={`What it shows at ${where}`}>
          <span className="w-[87px] shrink-0 truncate">at {where}</span>
          <select className={FIELD} value={here ?? ''} onChange={(event) => show(at, event.target.value)}>
            <option value="">as beneath</option>
            {options}
          </select>
        </label>
      )}
      <div className="flex flex-wrap gap-1 py-1 text-xs">
        <button type="button" className={BUTTON} onClick={() => useSession.setState({ pictures: 'list' })}>
          Pictures …
        </button>
        {cut?.photo && picturesNamed(element).length > 0 && (
          <button
            type="button"
            className={BUTTON}
            title={at === BASE ? 'Shows a part of the picture at all widths' : `Shows a part of the picture at ${where}`}
            onClick={() => useSession.setState({ cutting: { element: element.id, at } })}
          >
            Cut {at === BASE ? '' : `at ${where.split(':')[0]!} `}…
          </button>
        )}
      </div>
    </>
  );
}
