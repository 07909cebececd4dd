import { createServer } from 'node:http';
import next from 'next';
import { root } from './setup/places.mjs';

// Serves the application: Next's own server, behind what it leaves open. Started by `start.mjs` with HOST and PORT.
const host = process.env.HOST;
const port = Number(process.env.PORT);
/** How long a request's headers, and all of it, may take to arrive, ms. */
const HEADERS_MOST_MS = 20_000;
const REQUEST_MOST_MS = 60_000;
/** Idle connections are kept for longer than browsers and programs use them again, so that none is closed under a request that is on its way. */
const KEEP_ALIVE_MS = 75_000;
/** What is under way when the program is told to stop has so long, ms. */
const STOP_MOST_MS = 2_000;

const app = next({ dev: process.env.NODE_ENV === 'development', dir: root, hostname: host, port });
const handle = app.getRequestHandler();

/** Whether a path's escapes can be undone (RFC 3986, 2.1); Next answers those that can't as if it were broken. */
function isReadable(address) {
  try {
    decodeURIComponent(address.split('?')[0]);
    return true;
  } catch {
    return false;
  }
}

const server = createServer((request, response) => {
  if (isReadable(request.url)) return void handle(request, response);
  response.writeHead(400, { 'content-type': 'application/json' });
  response.end(JSON.stringify({ error: 'This address can’t be read: there is a “%” in it that stands for nothing.' }));
});
server.headersTimeout = HEADERS_MOST_MS;
server.requestTimeout = REQUEST_MOST_MS;
server.keepAliveTimeout = KEEP_ALIVE_MS;
server.on('error', (error) => {
  console.error(error.message);
  process.exit(1);
});
// What nobody waits for must not end what others wait for.
for (const event of ['uncaughtException', 'unhandledRejection']) process.on(event, (error) => console.error(event, error));
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => {
    server.close(() => process.exit(0));
    // Windows that listen to edits hold their connections.
    setTimeout(() => process.exit(0), STOP_MOST_MS);
  });

try {
  await app.prepare();
  server.listen(port, host);
} catch (error) {
  console.error(error);
  process.exit(1);
}
