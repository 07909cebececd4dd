import { MeasuredFrame, openFrame } from '@/probe/measured-frame';

/** So many documents stay: whoever tries fixes comes back to the same two versions of a page. */
const KEPT = 2;

/** A document that stands in a frame. */
export class StandingDocument {
  #measured: MeasuredFrame | undefined;

  constructor(
    readonly key: string,
    readonly frame: HTMLIFrameElement,
  ) {}

  get measured(): MeasuredFrame {
    return (this.#measured ??= new MeasuredFrame(this.frame));
  }

  /** At a viewport height, px, set as it is and with nothing held. */
  rest(height: number): void {
    this.frame.style.height = `${height}px`;
    this.#measured?.arrange(height, 'plain');
  }
}

/** Documents of the measuring page by their keys, the one that was asked for last at the end. */
export class StandingDocuments {
  readonly #all: StandingDocument[] = [];

  /** Undefined where it doesn't stand. */
  find(key: string): StandingDocument | undefined {
    const at = this.#all.findIndex((one) => one.key === key);
    if (at < 0) return undefined;
    const [found] = this.#all.splice(at, 1);
    this.#all.push(found!);
    return found;
  }

  /** Loads one; what was asked for longest ago goes for it. */
  async open(key: string, html: string, height: number): Promise<void> {
    while (this.#all.length >= KEPT) this.#all.shift()!.frame.remove();
    this.#all.push(new StandingDocument(key, await openFrame(html, height)));
  }
}
