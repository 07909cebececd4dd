import { totalmem } from 'node:os';
import { Turns } from './turns';

/** What is reckoned for one heavy page in Chromium, bytes; generous, and not measured. */
const ROOM_PER_TAB = 1_500_000_000;

// Two cores: a few at once leave the application its share, and one that hangs doesn't stop the others.
const most = Math.max(1, Math.min(3, Math.floor(totalmem() / ROOM_PER_TAB)));

const kept = globalThis as { millPondTurns?: Turns };

/** The turns at this process's browser. */
export const turns = (kept.millPondTurns ??= new Turns(most));
