import type { Page } from 'playwright-core';

/** The longest tasks of the main thread while the work goes on; 50 ms and more are what people feel. */
export async function longTasks(page: Page, work: () => Promise<void>): Promise<string> {
  await page.evaluate(() => {
    const kept = globalThis as unknown as { tasks: number[]; observer?: PerformanceObserver };
    kept.observer?.disconnect();
    kept.tasks = [];
    kept.observer = new PerformanceObserver((list) => kept.tasks.push(...list.getEntries().map((entry) => entry.duration)));
    kept.observer.observe({ type: 'longtask' });
  });
  await work();
  await page.waitForTimeout(300);
  const tasks = await page.evaluate(() => (globalThis as unknown as { tasks: number[] }).tasks);
  return tasks.length === 0
    ? 'no task of 50 ms or more'
    : `${tasks.length} of 50 ms or more, longest ${Math.max(...tasks).toFixed(0)} ms`;
}

/** Drags along the scale of the gauge, from wide to narrow. */
export async function scrub(page: Page): Promise<void> {
  const axis = (await page.getByTestId('axis').boundingBox())!;
  await page.mouse.move(axis.x + axis.width - 60, axis.y + 20);
  await page.mouse.down();
  for (let i = 0; i <= 120; i++) await page.mouse.move(axis.x + axis.width - 60 - (i * (axis.width - 120)) / 120, axis.y + 20);
  await page.mouse.up();
}
