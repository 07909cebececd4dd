import { writeSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import pino from 'pino';
import type { Logger } from 'pino';
import { createStream } from 'rotating-file-stream';

/** A log file is put aside at this size, and so many that were put aside stay. */
const FILE_MOST = '5M';
const FILES_MOST = 5;

// Next loads modules more than once; one process writes to one file.
const kept = globalThis as { millPondLog?: Logger };

function begin(): Logger {
  const level = process.env.MILLPOND_LOG ?? 'info';
  const file = process.env.MILLPOND_LOG_FILE;
  const settings = {
    level,
    base: { pid: process.pid },
    timestamp: pino.stdTimeFunctions.isoTime,
    serializers: { error: pino.stdSerializers.err, err: pino.stdSerializers.err },
  };
  if (!file) return pino({ ...settings, level: process.env.MILLPOND_LOG ?? 'warn' });
  const stream = createStream(basename(file), { path: dirname(file), size: FILE_MOST, maxFiles: FILES_MOST });
  // A log that can't be written, on a full disk, say, must not end the work.
  stream.on('error', (error) => terminal.write(JSON.stringify({ level: 50, msg: `the log ${file}`, error })));
  return pino(
    settings,
    pino.multistream([
      { level: level as pino.Level, stream },
      { level: 'error', stream: terminal },
    ]),
  );
}

interface Line {
  readonly msg?: string;
  readonly request?: string;
  readonly error?: { readonly message?: string };
}

/** Says an important line in words where the program was started. */
const terminal = {
  write(text: string) {
    const { msg, request, error } = JSON.parse(text) as Line;
    const why = error?.message?.split('\n')[0];
    const line = `${new Date().toISOString().slice(11, 19)} ${msg}${why ? `: ${why}` : ''}${request ? ` (request ${request})` : ''}\n`;
    try {
      writeSync(Number(process.env.MILLPOND_TERMINAL ?? 2), line);
    } catch {
      // Nobody is there to read it.
    }
  },
};

/** What happened, as JSON lines in the file that MILLPOND_LOG_FILE names, and what is important at the terminal too. */
export const log = (kept.millPondLog ??= begin());
