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
