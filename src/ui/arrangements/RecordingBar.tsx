'use client';

import { useState } from 'react';
import { useSession } from '../state/store';
import { BUTTON, YES_BUTTON } from '../theme/controls';
import { keepRecording, recorded, stopRecording } from './recording';

/** While what somebody does is recorded: how much it is, and how to keep it. */
export function RecordingBar() {
  const recording = useSession((session) => session.recording);
  return recording ? <Bar key={recording.id} /> : null;
}

function Bar() {
  const recording = useSession((session) => session.recording)!;
  useSession((session) => session.history);
  const [name, setName] = useState('');
  const [wrong, setWrong] = useState('');
  let count = 0;
  try {
    count = recorded(recording).length;
  } catch {
    // What came before was undone; keeping says so.
  }
  return (
    <form
      aria-label="Recording"
      className="flex shrink-0 flex-wrap items-center gap-2 border-y border-amber-ink bg-amber-tint px-4 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        setWrong(keepRecording(name.trim()) ?? '');
      }}
    >
      <span>
        Recording what is done to <b>{recording.name}</b>: {count} {count === 1 ? 'step' : 'steps'}
      </span>
      <label className="ml-auto flex items-center gap-1.5">
        Keep as
        <input
          className="w-48 rounded-[3px] border border-edge bg-well px-1.5 py-0.5"
          value={name}
          maxLength={80}
          onChange={({ target }) => setName(target.value)}
        />
      </label>
      <button type="submit" className={YES_BUTTON} disabled={name.trim() === '' || count === 0}>
        Keep
      </button>
      <button type="button" className={BUTTON} onClick={stopRecording}>
        Leave it
      </button>
      {wrong && (
        <p role="alert" className="m-0 w-full text-rust">
          {wrong}
        </p>
      )}
    </form>
  );
}
