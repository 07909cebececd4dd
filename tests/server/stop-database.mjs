export default async function stop() {
  await globalThis.millPondTestDatabase?.stop();
}
