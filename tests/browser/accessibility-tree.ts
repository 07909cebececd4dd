import type { CDPSession, Page } from '@playwright/test';

interface Node {
  readonly ignored: boolean;
  readonly role: string;
  readonly name: string;
  readonly value: string | undefined;
  readonly says: Readonly<Record<string, unknown>>;
  readonly backend: number | undefined;
}

/** What must have a name of its own to be told from others of its kind. */
const NAMED = new Set(
  'application button checkbox combobox dialog grid Iframe image img link listbox menuitem menuitemcheckbox menuitemradio navigation option radio radiogroup region searchbox slider spinbutton switch tab tablist tabpanel textbox tree treeitem'.split(
    ' ',
  ),
);
const CHECKED = new Set(['checkbox', 'radio', 'switch', 'menuitemradio', 'menuitemcheckbox']);
const SELECTED = new Set(['tab', 'option', 'treeitem']);
const NOTHING = new Set(['generic', 'none', 'paragraph', 'StaticText']);

/** More stops of the Tab key than any view has. */
const STOPS_MOST = 260;

const ACTIVE = `(() => {
  const { activeElement } = document;
  return document.getElementById(activeElement.getAttribute('aria-activedescendant')) ?? activeElement;
})()`;

/** A page as it is told to those who don't see it. */
export class AccessibilityTree {
  private constructor(
    private readonly page: Page,
    private readonly devtools: CDPSession,
  ) {}

  static async of(page: Page): Promise<AccessibilityTree> {
    return new AccessibilityTree(page, await page.context().newCDPSession(page));
  }

  #node(node: Awaited<ReturnType<typeof this.asked>>['nodes'][number]): Node {
    const says = Object.fromEntries((node.properties ?? []).map(({ name, value }) => [name, value.value as unknown]));
    return {
      ignored: node.ignored,
      role: String(node.role?.value ?? ''),
      name: String(node.name?.value ?? '').trim(),
      value: node.value === undefined ? undefined : String(node.value.value),
      says,
      backend: node.backendDOMNodeId,
    };
  }

  private asked() {
    return this.devtools.send('Accessibility.getFullAXTree');
  }

  async all(): Promise<Node[]> {
    return (await this.asked()).nodes.map((node) => this.#node(node)).filter(({ ignored }) => !ignored);
  }

  /** What is wrong with what is told of controls (WCAG 2.2, 4.1.2), each with where it stands. */
  async faults(): Promise<string[]> {
    const found: string[] = [];
    for (const { role, name, value, says, backend } of await this.all()) {
      const wrong = [
        ...(says.focusable && NOTHING.has(role) ? ['can be reached, and says nothing of what it is'] : []),
        ...(NAMED.has(role) && name === '' ? ['has no name'] : []),
        ...(CHECKED.has(role) && says.checked === undefined ? ['doesn’t say whether it is checked'] : []),
        ...(SELECTED.has(role) && says.selected === undefined ? ['doesn’t say whether it is selected'] : []),
        ...(role === 'slider' && (value === undefined || says.valuemin === undefined) ? ['doesn’t say where it stands'] : []),
      ];
      if (wrong.length === 0) continue;
      const { node } = await this.devtools.send('DOM.describeNode', { backendNodeId: backend! });
      found.push(`${role} “${name}” ${wrong.join(', ')}: <${node.nodeName} ${node.attributes?.join(' ').slice(0, 200)}>`);
    }
    return found;
  }

  /** What has the keyboard, or what in it is chosen by arrows (`aria-activedescendant`). */
  async focused(): Promise<Node> {
    const { result } = await this.devtools.send('Runtime.evaluate', { expression: ACTIVE });
    const { nodes } = await this.devtools.send('Accessibility.getPartialAXTree', {
      objectId: result.objectId!,
      fetchRelatives: false,
    });
    return this.#node(nodes[0]!);
  }

  /** Goes on with a key until something of that role and name has the keyboard. @throws with all that was passed */
  async reach(role: string, name: RegExp, key = 'Tab'): Promise<Node> {
    const passed: string[] = [];
    for (let stop = 0; stop < STOPS_MOST; stop++) {
      const here = await this.focused();
      if (here.role === role && name.test(here.name)) return here;
      passed.push(`${here.role} “${here.name}”`);
      await this.page.keyboard.press(key);
    }
    throw new Error(`No ${role} ${String(name)} among: ${[...new Set(passed)].join('; ')}`);
  }

  /** The names of all of a role. */
  async names(role: string): Promise<string[]> {
    return (await this.all()).filter((node) => node.role === role).map(({ name }) => name);
  }
}
