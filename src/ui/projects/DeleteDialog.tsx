'use client';

import { Description, Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { DANGER_BUTTON } from '../theme/controls';
import type { ProjectSummary } from './summary';

interface Props {
  readonly project: ProjectSummary | undefined;
  readonly cancel: () => void;
  readonly confirm: (project: ProjectSummary) => void;
}

export function DeleteDialog({ project, cancel, confirm }: Props) {
  return (
    <Dialog open={project !== undefined} onClose={cancel} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="w-[400px] rounded-[6px] border border-line-strong bg-sheet p-5">
          <DialogTitle className="m-0 text-[16px] font-bold">Delete “{project?.name}”?</DialogTitle>
          <Description className="text-muted">
            All its pages and breakpoints go with it. You can bring it back right afterwards.
          </Description>
          <div className="mt-4 flex justify-end gap-2">
            <button
              type="button"
              className="rounded-[4px] border border-line-strong bg-sheet px-3 py-1 hover:bg-paper"
              onClick={cancel}
            >
              Keep it
            </button>
            <button type="button" className={DANGER_BUTTON} onClick={() => project && confirm(project)}>
              Delete project
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
