/** Languages that are often written; any other tag can be typed. */
export const LANGUAGES = [
  ...[['ar', 'Arabic'] as const, ['de', 'German'] as const, ['en', 'English'] as const, ['es', 'Spanish'] as const],
  ...[['fa', 'Persian'] as const, ['fr', 'French'] as const, ['he', 'Hebrew'] as const, ['hi', 'Hindi'] as const],
  ...[['it', 'Italian'] as const, ['ja', 'Japanese'] as const, ['ko', 'Korean'] as const, ['nl', 'Dutch'] as const],
  ...[
    ['pl', 'Polish'] as const,
    ['pt-BR', 'Portuguese, Brazil'] as const,
    ['sv', 'Swedish'] as const,
    ['tr', 'Turkish'] as const,
  ],
  ...[['uk', 'Ukrainian'] as const, ['zh-Hans', 'Chinese, simplified'] as const],
].map(([value, word]) => ({ value, word }));
