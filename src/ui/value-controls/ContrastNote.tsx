'use client';

import { heldIn, lookOf, statedContrast } from '@/core/cascade';
import { shownPseudo, steadyBandStart, steadyPage, steadyProject, useSession } from '../state/store';

export function ContrastNote({ id }: { id: string }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const width = useSession(steadyBandStart);
  const slice = useSession((session) => session.slice);
  const pseudo = useSession(shownPseudo);
  const look = lookOf(project, page, id, pseudo);
  const contrast = statedContrast(look.project, look.page, id, width, heldIn(look, slice));
  if (!contrast.known) return <p className="m-0 px-3.5 pb-1 text-xs text-muted">Contrast: {contrast.why}.</p>;
  const { ratio, needed } = contrast;
  const enough = ratio >= needed;
  return (
    <p data-testid="contrast" className={`m-0 px-3.5 pb-1 text-xs ${enough ? 'text-muted' : 'text-rust'}`}>
      Contrast <span className="font-mono">{(Math.floor(ratio * 100) / 100).toFixed(2)}</span>
      {enough ? ` is enough; ${needed} is needed` : ` is too little; ${needed} is needed`} (WCAG 1.4.3)
    </p>
  );
}
