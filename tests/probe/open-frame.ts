import { build } from 'esbuild';
import type { Page as BrowserPage } from 'playwright-core';

/** The probe as the editor has it. */
export async function bundledProbe(): Promise<string> {
  const bundle = await build({ entryPoints: ['src/probe/frame.ts'], bundle: true, write: false, format: 'iife' });
  return bundle.outputFiles[0]!.text;
}

/**
 * A frame as the editor has it: sandboxed, of an origin of its own, spoken to by messages only. What it says is kept in
 * `heard`, what it is told goes through `port`.
 */
export async function openFrame(host: BrowserPage, probe: string, styles: string, body: string): Promise<void> {
  await host.setContent(
    '<!doctype html><body style="margin:0"><iframe sandbox="allow-scripts" style="border:0;width:600px;height:400px"></iframe>',
  );
  const script = probe.replace(/<\/script/gi, '<\\/script');
  await host.evaluate(async (source) => {
    const heard: unknown[] = ((window as unknown as { heard: unknown[] }).heard = []);
    const frame = document.querySelector('iframe')!;
    await new Promise<void>((done) => {
      addEventListener('message', ({ data }) => {
        heard.push(data);
        if ((data as { type: string }).type !== 'ready') return;
        const { port1, port2 } = new MessageChannel();
        (window as unknown as { port: MessagePort }).port = port1;
        frame.contentWindow!.postMessage(undefined, '*', [port2]);
        done();
      });
      frame.srcdoc = source;
    });
  }, `<!doctype html><style data-mp-fonts></style>${styles}${body}<script>${script}</script>`);
}
