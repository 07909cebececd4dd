/** The ways to what runs in preview frames. */
const ports = new WeakMap<HTMLIFrameElement, MessagePort>();

/** Opens the way to a frame that has just said that it is there; an earlier one led to what it held before. */
export function openPort(frame: HTMLIFrameElement): void {
  const { port1, port2 } = new MessageChannel();
  ports.get(frame)?.close();
  ports.set(frame, port1);
  frame.contentWindow?.postMessage(undefined, '*', [port2]);
}

/**
 * Tells a frame something; one that isn't there yet hears nothing. What goes through a port is on its way at once, while
 * messages between windows wait for the task that sends them to end, which is mostly when the workbench has drawn itself.
 */
export function tellFrame(frame: HTMLIFrameElement | null, message: Readonly<Record<string, unknown>>): void {
  if (frame) ports.get(frame)?.postMessage(message);
}
