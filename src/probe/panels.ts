import type { PanelFacts } from '@/core/audit/facts';

/** Panels of a document: what HTML's `popover` opens and closes. One at a time can be held open to be measured. */
export class Panels {
  readonly #nodes: readonly HTMLElement[];
  readonly #index: ReadonlyMap<Element, number>;
  readonly #document: Document;
  #held: HTMLElement | undefined;
  /** What unfolds and was open from the start. */
  readonly #unfolded: ReadonlySet<Element>;

  constructor(document: Document, nodes: readonly HTMLElement[]) {
    this.#document = document;
    this.#index = new Map(nodes.map((node, i) => [node, i]));
    this.#nodes = nodes.filter((node) => node.matches('[popover], details[data-panel]'));
    this.#unfolded = new Set(this.#nodes.filter((node) => node.matches('details[open]')));
    // What closes itself when another opens would close in the middle of a measurement.
    for (const node of this.#nodes)
      if (node.hasAttribute('popover')) node.dataset.mpOutside = node.getAttribute('popover') === 'manual' ? 'no' : 'yes';
  }

  get count(): number {
    return this.#nodes.length;
  }

  /** Holds one open wherever it is a panel; none where it isn't given. */
  hold(which: number | undefined): void {
    if (this.#held) this.#show(this.#held, this.#unfolded.has(this.#held));
    this.#held = which === undefined ? undefined : this.#nodes[which];
    if (this.#held?.hasAttribute('popover')) this.#held.popover = 'manual';
  }

  /** Opens and closes what is held as the width has it. Returns the open one's index. */
  settle(): number | undefined {
    const panel = this.#held;
    if (!panel) return undefined;
    const here = this.#isHere(panel);
    this.#show(panel, here);
    return here ? this.#index.get(panel) : undefined;
  }

  #show(panel: HTMLElement, open: boolean): void {
    if (panel.localName === 'details') panel.toggleAttribute('open', open);
    else if (open !== panel.matches(':popover-open')) {
      if (open) panel.showPopover();
      else panel.hidePopover();
    }
  }

  /** Our own panels say where they are one; others are where they would be closed. */
  #isHere(panel: HTMLElement): boolean {
    const style = this.#document.defaultView!.getComputedStyle(panel);
    const said = style.getPropertyValue('--panel').trim();
    return said === '' ? panel.matches(':popover-open') || style.display === 'none' : said === '1';
  }

  read(): ReadonlyMap<number, PanelFacts> | undefined {
    if (this.#nodes.length === 0) return undefined;
    const buttons = [...this.#document.querySelectorAll<HTMLButtonElement>('[popovertarget]')];
    const locked = this.#document.defaultView!.getComputedStyle(this.#document.documentElement).overflowY === 'hidden';
    return new Map(
      this.#nodes.map((panel) => {
        const own = buttons.filter((button) => button.popoverTargetElement === panel && this.#index.has(button));
        const does = (button: HTMLButtonElement, not: string) => button.popoverTargetAction !== not;
        const over = panel.localName !== 'details';
        const of = (list: readonly HTMLElement[]) => list.map((one) => this.#index.get(one)!);
        return [
          this.#index.get(panel)!,
          {
            here: this.#isHere(panel),
            openers: of(own.filter((button) => !panel.contains(button) && does(button, 'hide'))),
            closers: of(own.filter((button) => panel.contains(button) && does(button, 'show'))),
            over,
            outside: panel.dataset.mpOutside === 'yes',
            locked,
          },
        ];
      }),
    );
  }
}
