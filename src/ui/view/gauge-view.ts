import type { GaugeView } from '../state/store';
import { GAUGE_VIEWS, useSession } from '../state/store';

const STORED = 'mill-pond-gauge';

/** What the gauge shows below its scale; remembered in this browser. */
export function showOnGauge(gaugeView: GaugeView): void {
  useSession.setState({ gaugeView });
  localStorage.setItem(STORED, gaugeView);
}

export function recallGauge(): void {
  const view = GAUGE_VIEWS.find((one) => one === localStorage.getItem(STORED));
  if (view) useSession.setState({ gaugeView: view });
}
