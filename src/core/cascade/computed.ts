import type { Pointer, Viewport } from '../breakpoints/viewport';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { pathOf } from '../document/addresses';
import { READERS_SIZE } from '../document/root-size';
import { isNoLength, lengthInPx } from '../styles/length';
import { substitute, usesVariables, variablesIn } from '../styles/custom';
import { splitOutside } from '../styles/lists';
import { propertyNamed } from '../styles/properties';
import { checkValue } from '../styles/value';
import { WIDGET_PARTS, WIDGETS, MONOSPACE_SHARE, monospaceSize, sizeOfWord } from './computed-tables';
import { contentOf, isClaimedOf } from './computed-boxes';
import type { Asked } from './computed-display';
import { displayOf, isInRuby, isItem, overflowOf } from './computed-display';
import { computedValue, knownPx } from './computed-values';
import { decide } from './resolve';
import { aboveOf, elementOf, HTML } from './root';
import { Variables } from './variables';

/** Browsers don't let sizes relative to the reader's own setting fall below this. */
const LEAST_RELATIVE_SIZE = 6;

interface FontSize {
  readonly specified: number;
  /** Whether it goes back to a length rather than to the reader's setting. */
  readonly absolute: boolean;
  /** The word that it goes back to, such as `medium`. */
  readonly word?: string | undefined;
}

/** Properties whose computed value isn't worked out here; for them only the specified value is given. */
const NOT_COMPUTED: ReadonlySet<string> = new Set([
  'background-image',
  'background-size',
  'background-position',
  'background-repeat',
  'box-shadow',
  'transform',
]);

/** What they are where nothing is said of them. */
const SIMPLE: Readonly<Record<string, string>> = {
  'background-image': 'none',
  'background-size': 'auto',
  'background-position': '0% 0%',
  'background-repeat': 'repeat',
  'box-shadow': 'none',
  transform: 'none',
};

/**
 * Computed values of a page at one viewport, as `getComputedStyle` gives them for an element that isn't being laid
 * out (CSSOM, resolved values: there the resolved value is the computed value). Work is remembered, so one instance
 * serves all questions about one viewport. Undefined means: not claimed (percentages in math functions, font-relative
 * units other than em and rem, colours outside sRGB, what stands in a select, a video or a meter).
 */
export class ComputedStyles {
  readonly #inheritable = new Map<string, string | undefined>();
  readonly #sizes = new Map<string, FontSize>();
  readonly #inside = new Map<string, boolean>();

  readonly #asked: Asked;
  readonly #variables: Variables;
  readonly #medium: FontSize;
  readonly viewport: Viewport;

  constructor(
    readonly project: Project,
    readonly page: Page,
    viewport: Omit<Viewport, 'pointer'> & { readonly pointer?: Pointer },
  ) {
    this.viewport = { pointer: 'mouse', ...viewport };
    this.#asked = {
      page,
      element: (id) => this.#element(id),
      value: (id, property) => this.value(id, property),
      inherit: (id, property) => this.#inherit(id, property),
    };
    this.#medium = { specified: READERS_SIZE * (viewport.text ?? 1), absolute: false, word: 'medium' };
    this.#variables = new Variables(project, page, this.viewport);
  }

  value(elementId: string, property: string): string | undefined {
    if (!isClaimedOf(elementId, property) || this.#isInsideWidget(elementId)) return undefined;
    if (/^(width|height|aspect-ratio)$/.test(property) && this.#isBroken(elementId)) return undefined;
    const inner = this.#inherit(elementId, property);
    if (inner === undefined || (NOT_COMPUTED.has(property) && inner !== SIMPLE[property])) return undefined;
    // Of several pictures each has a size, a place and a repetition of its own, said or not.
    if (/^background-(size|position|repeat)$/.test(property) && this.#pictures(elementId) !== 1) return undefined;
    switch (property) {
      case 'content':
        return contentOf(elementId, inner);
      case 'line-height':
        if (this.#isInputButton(elementId)) return undefined;
        return /^[\d.]+$/.test(inner) ? knownPx(parseFloat(inner) * this.fontSize(elementId)) : inner;
      case 'display':
        return displayOf(this.#asked, elementId, inner);
      case 'float':
        if (isInRuby(this.#asked, elementId)) return undefined;
        return ['absolute', 'fixed'].includes(this.#inherit(elementId, 'position') ?? '') ? 'none' : inner;
      case 'overflow-x':
      case 'overflow-y':
        return overflowOf(this.#asked, elementId, property, inner);
      case 'min-width':
      case 'min-height':
        // Browsers say 0px for boxes where `auto` has no meaning; for flex and grid items it depends on there being a box.
        if (inner !== 'auto') return inner;
        return isItem(this.#asked, elementId) === false ? '0px' : undefined;
      case 'border-top-width':
      case 'border-right-width':
      case 'border-bottom-width':
      case 'border-left-width':
        return this.#lineShown(elementId, property, inner);
      default:
        return inner === 'currentcolor' ? this.value(elementId, 'color') : inner;
    }
  }

  /** How many layers its background has; undefined where that isn't known. */
  #pictures(elementId: string): number | undefined {
    const { value, from } = this.#decide(elementId, 'background-image');
    if (from === 'unsure' || from === 'parent') return undefined;
    return from === 'winner' ? splitOutside(value, ',').length : 1;
  }

  /** Whether it is a picture whose file isn't there: browsers lay out its words in its place, as they think best. */
  #isBroken(elementId: string): boolean {
    const { tag, attributes } = this.#element(elementId);
    if (tag !== 'img' || !this.page.brought) return false;
    const path = pathOf(this.page.brought.base, attributes.src ?? '');
    return !this.project.files.some((file) => file.path === path);
  }

  /** Whether a browser shows the element within something of its own making, through which values come in its own way. */
  #isInsideWidget(elementId: string): boolean {
    let inside = this.#inside.get(elementId);
    if (inside === undefined) {
      const above = aboveOf(this.page, elementId);
      inside =
        WIDGET_PARTS.has(this.#element(elementId).tag) ||
        (above !== undefined && (WIDGETS.has(above.tag) || this.#isInsideWidget(above.id)));
      this.#inside.set(elementId, inside);
    }
    return inside;
  }

  /** What 1rem comes to, px. */
  get rootSize(): number {
    return this.fontSize(HTML.id);
  }

  /** The computed font size in px. */
  fontSize(elementId: string): number {
    const { specified, absolute } = this.#fontSize(elementId);
    return !absolute && specified > 0 && specified < LEAST_RELATIVE_SIZE ? LEAST_RELATIVE_SIZE : specified;
  }

  #fontSize(elementId: string): FontSize {
    let size = this.#sizes.get(elementId);
    if (!size) {
      const { value, from } = this.#decide(elementId, 'font-size');
      const parent = aboveOf(this.page, elementId);
      const inherited = parent ? this.#fontSize(parent.id) : this.#medium;
      size =
        from === 'unsure'
          ? { ...inherited, specified: NaN }
          : from === 'parent'
            ? inherited
            : from === 'initial'
              ? this.#ownSize(elementId, 'medium', inherited)
              : this.#ownSize(elementId, value, inherited);
      size = this.#inMonospace(elementId, size, parent?.id);
      this.#sizes.set(elementId, size);
    }
    return size;
  }

  /**
   * Type of which `monospace` is the only family is smaller by itself, unless its size goes back to a length: browsers keep two
   * settings of the reader's, and go from one to the other where the family changes.
   */
  #inMonospace(elementId: string, size: FontSize, parentId: string | undefined): FontSize {
    const isMonospace = this.#isMonospace(elementId);
    const text = this.viewport.text ?? 1;
    if (size.word !== undefined && text === 1)
      return { ...size, specified: (isMonospace ? monospaceSize(size.word) : sizeOfWord(size.word, text)) ?? NaN };
    const was = parentId !== undefined && this.#isMonospace(parentId);
    if (size.absolute || was === isMonospace) return size;
    return { ...size, specified: isMonospace ? size.specified * MONOSPACE_SHARE : size.specified / MONOSPACE_SHARE };
  }

  readonly #monospace = new Map<string, boolean>();
  #isMonospace(elementId: string): boolean {
    let known = this.#monospace.get(elementId);
    if (known === undefined) this.#monospace.set(elementId, (known = this.#inherit(elementId, 'font-family') === 'monospace'));
    return known;
  }

  /** What the element itself says, its variables replaced. What they make of it may turn out to be no value at all. */
  #decide(elementId: string, property: string): { value: string; from: 'winner' | 'parent' | 'initial' | 'unsure' } {
    const { winner, from, doubts } = decide(this.project, this.page, this.#element(elementId), property, this.viewport);
    const value = winner?.value ?? '';
    if (doubts.length > 0) return { value, from: 'unsure' };
    if (from !== 'winner' || !usesVariables(value)) return { value, from };
    const { inherited } = propertyNamed(property);
    const unset = { value: '', from: inherited ? ('parent' as const) : ('initial' as const) };
    const names = variablesIn(value);
    if (names.some((name) => this.#variables.isUnsure(elementId, name))) return { value: '', from: 'unsure' };
    const text = substitute(value, (name) => this.#variables.value(elementId, name))?.trim();
    if (!text || usesVariables(text)) return unset;
    const keyword = text.toLowerCase();
    if (keyword === 'inherit') return { value: '', from: 'parent' };
    if (keyword === 'initial') return { value: '', from: 'initial' };
    if (keyword === 'unset') return unset;
    const checked = checkValue(property, text);
    // The grammar takes any math function for any number; one that comes to no length is none.
    const { control } = propertyNamed(property);
    if (!checked.ok || (control.kind === 'length' && property !== 'line-height' && isNoLength(text))) return unset;
    return { value: checked.declarations[property] ?? text, from: 'winner' };
  }

  #element(id: string): PageElement {
    return elementOf(this.page, id);
  }

  #ownSize(elementId: string, value: string, inherited: FontSize): FontSize {
    const rem = elementId === HTML.id ? this.#medium.specified : this.rootSize;
    const { text = 1 } = this.viewport;
    const word = sizeOfWord(value, text);
    // For another text size than the usual one the sheet says px in place of the word.
    if (word !== undefined) return { specified: word, absolute: text !== 1, word: value };
    if (value === 'larger') return { ...inherited, word: undefined, specified: inherited.specified * 1.2 };
    if (value === 'smaller') return { ...inherited, word: undefined, specified: inherited.specified / 1.2 };
    if (/^[\d.]+%$/.test(value))
      return { ...inherited, word: undefined, specified: (parseFloat(value) / 100) * inherited.specified };
    const px = lengthInPx(value, { em: inherited.specified, rem, viewport: this.viewport });
    const absolute = inherited.absolute || !/^[\d.]+em$/.test(value);
    return { specified: px === undefined ? NaN : Math.max(0, px), absolute };
  }

  /** The computed value in the form in which children inherit it. */
  #inherit(elementId: string, property: string): string | undefined {
    const key = `${elementId} ${property}`;
    if (this.#inheritable.has(key)) return this.#inheritable.get(key);
    // What it inherits of it may be another size, where the family is another.
    if (property === 'font-size') return knownPx(this.fontSize(elementId));
    const { value, from } = this.#decide(elementId, property);
    const parent = from === 'parent' ? aboveOf(this.page, elementId) : undefined;
    // Browsers put a box of their own between `<details>` and what stands in it.
    const between = parent?.tag === 'details' && !propertyNamed(property).inherited;
    const computed =
      between || from === 'unsure'
        ? undefined
        : parent
          ? this.#fromParent(parent.id, property)
          : this.#compute(elementId, property, from === 'winner' ? value : propertyNamed(property).initial);
    // What centres a table doesn't centre the words in it.
    const centred = property === 'text-align' && computed?.startsWith('-webkit-') && this.#element(elementId).tag === 'table';
    const result = centred ? 'start' : computed;
    this.#inheritable.set(key, result);
    return result;
  }

  /** `inherit` on a property that isn't inherited by itself takes the parent's computed, adjusted value. */
  #fromParent(parentId: string, property: string): string | undefined {
    const adjusted = property === 'display' || property.startsWith('overflow');
    return adjusted ? this.value(parentId, property) : this.#inherit(parentId, property);
  }

  #compute(elementId: string, property: string, value: string): string | undefined {
    if (property === 'font-size') return knownPx(this.fontSize(elementId));
    const size = () => this.fontSize(elementId);
    const context = () => ({ em: this.#fontSize(elementId).specified, rem: this.rootSize, viewport: this.viewport });
    return computedValue(property, value, { size, context, parent: (name) => this.#parentValue(elementId, name) });
  }

  #parentValue(elementId: string, property: string): string | undefined {
    const parent = aboveOf(this.page, elementId);
    return parent && this.#inherit(parent.id, property);
  }

  #lineShown(elementId: string, property: string, width: string): string | undefined {
    const style = this.#inherit(elementId, property.replace('width', 'style'));
    return style === 'none' || style === 'hidden' ? '0px' : style && width;
  }

  /** Browsers keep the line of such a button for as long as nobody gives it a border or a background. */
  #isInputButton(elementId: string): boolean {
    const { tag, attributes } = this.#element(elementId);
    return tag === 'input' && ['button', 'submit', 'reset'].includes(attributes.type ?? '');
  }
}
