/** What is read of a text, read once for as long as not too many others come. @param most how many are remembered */
export function oncePerText<T>(most: number, read: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    let one = known.get(text);
    if (one === undefined) {
      if (known.size > most) known.clear();
      known.set(text, (one = read(text)));
    }
    return one;
  };
}
