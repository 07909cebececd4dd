'use client';

import { useEffect, useState } from 'react';
import { BringInDialog } from '../bring-in/BringInDialog';
import type { Given } from '../bring-in/gather';
import { dropped } from '../bring-in/gather';
import { announce, report } from '../editing/edits';
import { takeIn } from '../pages/page-actions';
import { showPicture } from '../pictures/shown';
import type { Taken } from '../pictures/upload';
import { addPictures, isPictureName } from '../pictures/upload';
import { shownPage, useSession, writeTarget } from '../state/store';
import { addFont, isFontName } from '../styles/add-font';

const hasFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;

/** Pictures that were dropped on the page come into the project; a single one is shown where an image is selected. */
async function takePictures(files: readonly Given[]): Promise<void> {
  const { selection } = useSession.getState();
  const id = selection.length === 1 ? selection[0] : undefined;
  const image = id !== undefined && shownPage(useSession.getState()).elements[id]?.tag === 'img';
  const told = ({ name, picture, words }: Taken) => {
    for (const text of words) (picture ? announce : report)(text);
    if (!picture) return;
    if (image && files.length === 1) showPicture(id, writeTarget(useSession.getState()), picture);
    else announce(`${name} is one of the project’s pictures now.`);
  };
  const named = files.map(({ path, file }) => ({ name: path.split('/').pop()!, file }));
  announce(`Reading ${files.length === 1 ? named[0]!.name : `${files.length} pictures`} …`);
  await addPictures(named, told, new AbortController().signal);
  if (!image || files.length > 1) useSession.setState({ pictures: 'list' });
}

/** Files that are dragged over an open project can be dropped anywhere: pages are brought in, pictures and fonts are added. */
export function DropZone() {
  const id = useSession((session) => session.project.id);
  const [over, setOver] = useState(false);
  const [given, setGiven] = useState<readonly Given[]>();
  useEffect(() => {
    // Frames would take what is dropped on them, so something has to lie over them in time.
    const enter = (event: DragEvent) => {
      if (hasFiles(event) && !(event.target as Element).closest?.('[role="dialog"]')) setOver(true);
    };
    const leave = (event: DragEvent) => event.relatedTarget === null && setOver(false);
    addEventListener('dragenter', enter);
    addEventListener('dragleave', leave);
    return () => {
      removeEventListener('dragenter', enter);
      removeEventListener('dragleave', leave);
    };
  }, []);
  const take = async (transfer: DataTransfer) => {
    const files = await dropped(transfer);
    if (files.length === 0) return;
    if (files.every(({ path }) => isPictureName(path))) return takePictures(files);
    if (!files.every(({ path }) => isFontName(path))) return setGiven(files);
    for (const { file, path } of files) {
      const wrong = await addFont(file, path).catch((error: Error) => error.message);
      if (wrong) report(wrong);
      else announce(`${path} is one of the project’s fonts now.`);
    }
    useSession.setState({ panel: 'styles' });
  };
  return (
    <>
      {over && (
        <div
          data-testid="drop-zone"
          className="fixed inset-0 z-40 flex items-center justify-center bg-ink/30 p-16"
          onDragOver={(event) => event.preventDefault()}
          onDrop={(event) => {
            event.preventDefault();
            setOver(false);
            void take(event.dataTransfer);
          }}
        >
          <p className="pointer-events-none m-0 rounded-[6px] border-2 border-dashed border-reed bg-sheet px-8 py-6 text-center">
            <b className="block">Drop pages, pictures or fonts here</b>
            HTML, folders or a ZIP become pages of this project; pictures and font files become pictures and fonts of it.
          </p>
        </div>
      )}
      <BringInDialog given={given} close={() => setGiven(undefined)} project={id} take={takeIn} />
    </>
  );
}
