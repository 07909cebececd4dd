import { fail } from './process.mjs';

export const DEFAULT_PORT = 4170;

/** Ports that browsers don't open, since other protocols live there (Fetch Standard, 2.9 "bad ports"), from 1024 on. */
const FORBIDDEN = new Set([
  1719, 1720, 1723, 2049, 3659, 4045, 4190, 5060, 5061, 6000, 6566, 6665, 6666, 6667, 6668, 6669, 6679, 6697, 10080,
]);
const FORBIDDEN_LOW = new Set([
  0, 1, 7, 9, 11, 13, 15, 17, 19, 20, 21, 22, 23, 25, 37, 42, 43, 53, 69, 77, 79, 87, 95, 101, 102, 103, 104, 109, 110, 111, 113,
  115, 117, 119, 123, 135, 137, 139, 143, 161, 179, 389, 427, 465, 512, 513, 514, 515, 526, 530, 531, 532, 540, 548, 554, 556,
  563, 587, 601, 636, 989, 990, 993, 995,
]);

/** The port that the words of a command name. @throws Refusal */
export function portFrom(words) {
  const at = words.indexOf('--port');
  if (at < 0) return DEFAULT_PORT;
  const port = Number(words[at + 1]);
  if (!Number.isInteger(port) || port < 1 || port > 65535) fail('--port needs a number from 1 to 65535.');
  if (FORBIDDEN.has(port) || FORBIDDEN_LOW.has(port))
    fail(
      `Browsers refuse to open port ${port}, which is kept for another protocol. Choose another: npm start -- --port ${DEFAULT_PORT}`,
    );
  return port;
}
