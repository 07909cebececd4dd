/** Elements that are looked into while a text is written; all others are passed over as one. */
export const MARK_TAGS: ReadonlySet<string> = new Set(
  'a abbr b bdi bdo cite code data del dfn em i ins kbd mark q s samp small span strong sub sup time u var'.split(' '),
);

/** Elements of which Enter makes two. */
export const SPLIT_TAGS: ReadonlySet<string> = new Set('p h1 h2 h3 h4 h5 h6 li dt dd blockquote'.split(' '));

/** What Enter puts after an element when it is pressed at its end. */
export const nextTag = (tag: string): string => (/^h[1-6]$/.test(tag) ? 'p' : tag);
