const last = new Map<string, Promise<unknown>>();

/** Work on one project, one after the other in this process, so that those who wait hold no connection meanwhile. */
export function inTurn<T>(projectId: string, work: () => Promise<T>): Promise<T> {
  const before = last.get(projectId) ?? Promise.resolve();
  const mine = before.then(work, work);
  const settled = mine.then(
    () => undefined,
    () => undefined,
  );
  last.set(projectId, settled);
  void settled.then(() => {
    if (last.get(projectId) === settled) last.delete(projectId);
  });
  return mine;
}
