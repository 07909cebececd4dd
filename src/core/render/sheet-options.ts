import type { QuerySyntax } from '../breakpoints/condition';
import type { StandIn } from './stand-in';

/** Where files that pages refer to are found: data addresses in previews, relative paths in an export. */
export interface Addresses {
  /** The address of a picture by id. */
  readonly picture: (id: string) => string;
  /** A picture behind an element as CSS writes it, where it is more than one file. */
  readonly behind?: ((id: string) => string | undefined) | undefined;
  /**
   * The address of a file that came with a page, by the address that names it there; undefined where it isn't there.
   * @param base the folder that the address is seen from, where it isn't the page's
   */
  readonly file?: ((address: string, base?: string) => string | undefined) | undefined;
}

export interface SheetOptions {
  readonly addresses: Addresses;
  /** The device and reader to show the page for, where the browser that shows it has others. */
  readonly standIn?: StandIn | undefined;
  /** Whether pointing, focus and pressing are said by an attribute, for frames that hold them. */
  readonly held?: boolean;
  /** Whether what images show at breakpoints is said by the sheet. An export says it where they stand. */
  readonly shows?: boolean;
  /** As ranges where nothing is said. */
  readonly queries?: QuerySyntax;
}
