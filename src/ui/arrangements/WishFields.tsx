'use client';

import type { ReactNode } from 'react';
import type { Arrangement, Wish } from '@/core/arrangements';
import { placesFor } from '@/core/arrangements';
import { describeTarget } from '@/core/edits';
import { steadyProject, useSession } from '../state/store';
import { SELECT } from '../theme/controls';
import { rolesFor, whyNotFor } from './arrangements';

interface Props {
  readonly id: string;
  readonly arrangement: Arrangement;
  readonly wish: Partial<Wish>;
  readonly onChange: (fields: Partial<Wish>) => void;
}

/** What an arrangement has to be told: where it holds, which elements are what, and what it lets one choose. */
export function WishFields({ id, arrangement, wish, onChange }: Props) {
  const project = useSession(steadyProject);
  if (whyNotFor(project, id, arrangement)) return null;
  const places = placesFor(project, arrangement);
  const { elements, roles, settings } = rolesFor(project, id, arrangement);
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 pb-2">
      {arrangement.places !== 'everywhere' && places.length > 0 && (
        <Field label={arrangement.placeLabel}>
          <select className={SELECT} value={wish.at ?? places[0]} onChange={({ target }) => onChange({ at: target.value })}>
            {places.map((at) => {
              const name = project.breakpoints.find((one) => one.id === at)?.name ?? project.baseName;
              return (
                <option key={at} value={at}>
                  {name}, {describeTarget(project, at)}
                </option>
              );
            })}
          </select>
        </Field>
      )}
      {roles.map((role) => {
        const value = wish.roles?.[role.id] ?? role.is.found ?? '';
        if (role.is.among.length === 0 && !role.needed) return null;
        return (
          <Field key={role.id} label={role.label} asked={role.needed && value === ''}>
            <select
              className={`${SELECT} max-w-48`}
              value={value}
              onChange={({ target }) => onChange({ roles: { ...wish.roles, [role.id]: target.value } })}
            >
              <option value="" disabled={role.needed}>
                {role.needed ? 'choose …' : 'none'}
              </option>
              {role.is.among.map((one) => (
                <option key={one} value={one}>
                  {elements[one]!.name}
                </option>
              ))}
            </select>
          </Field>
        );
      })}
      {settings.map(({ id: setting, label, choices }) => (
        <Field key={setting} label={label}>
          <select
            className={SELECT}
            value={wish.settings?.[setting] ?? choices[0]?.[0]}
            onChange={({ target }) => onChange({ settings: { ...wish.settings, [setting]: target.value } })}
          >
            {choices.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </Field>
      ))}
    </div>
  );
}

function Field({ label, asked = false, children }: { label: string; asked?: boolean; children: ReactNode }) {
  return (
    <label className="flex items-center gap-1.5">
      <span className={asked ? 'text-rust' : 'text-muted'}>{label}</span>
      {children}
    </label>
  );
}
