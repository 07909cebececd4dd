import fc from 'fast-check';
import { problemAtRest, Server, Window } from './two-windows';

interface Real {
  readonly server: Server;
  readonly windows: readonly Window[];
}
type Command = fc.Command<object, Real>;

/** Every command can run at any time; what must hold is looked at when all have come to rest. */
class Act implements Command {
  constructor(
    readonly words: string,
    readonly act: (real: Real) => void,
  ) {}
  check = () => true;
  run(_: object, real: Real): void {
    this.act(real);
  }
  toString = () => this.words;
}

const window = fc.nat(1);
const editing = fc
  .tuple(window, fc.nat(), fc.boolean())
  .map(([w, seed, gesture]) => new Act(`edit ${w} ${seed} ${gesture}`, ({ windows }) => windows[w]!.edit(seed, gesture)));

const commands = [
  editing,
  editing,
  editing,
  editing,
  editing,
  fc
    .tuple(window, fc.constantFrom('undo' as const, 'redo' as const))
    .map(([w, kind]) => new Act(`${kind} ${w}`, ({ windows }) => windows[w]!.step(kind))),
  fc
    .tuple(window, fc.integer({ min: 1, max: 4 }))
    .map(([w, most]) => new Act(`send ${w} ${most}`, ({ windows }) => windows[w]!.send(most))),
  fc
    .tuple(window, fc.nat(3), fc.constantFrom('once' as const, 'once' as const, 'twice' as const, 'never' as const))
    .map(
      ([w, which, how]) =>
        new Act(`deliver ${w} ${which} ${how}`, ({ server, windows }) => windows[w]!.deliver(server, which, how)),
    ),
  fc
    .tuple(window, fc.nat(5))
    .map(
      ([w, back]) =>
        new Act(`stream ${w} ${back}`, ({ server, windows }) =>
          windows[w]!.stream(server, Math.max(0, windows[w]!.log.revision - back)),
        ),
    ),
  fc
    .tuple(window, fc.integer({ min: 1, max: 3 }))
    .map(
      ([w, ahead]) =>
        new Act(`gap ${w} ${ahead}`, ({ server, windows }) => windows[w]!.stream(server, windows[w]!.log.revision + ahead)),
    ),
  fc.constant(new Act('restart', ({ server }) => server.restart())),
  fc.constant(new Act('snapshot', ({ server }) => server.snapshot())),
  window.map((w) => new Act(`reload ${w}`, ({ server, windows }) => windows[w]!.reload(server))),
];

test('two windows and a server come to rest with one document, whatever the network does', () => {
  const log = { entries: 0, told: 0, pending: 0 };
  fc.assert(
    fc.property(fc.commands(commands, { maxCommands: 60, size: 'max' }), (list) => {
      const real = { server: new Server(), windows: [new Window('a'), new Window('b')] };
      fc.modelRun(() => ({ model: {}, real }), list);
      log.pending += real.windows.reduce((sum, one) => sum + one.log.pending.length, 0);
      expect(problemAtRest(real.server, real.windows)).toBeUndefined();
      log.entries += real.server.log.length;
      log.told += real.windows.reduce((sum, one) => sum + one.told.length, 0);
    }),
    { numRuns: Number(process.env.MILLPOND_RUNS ?? 16) },
  );
  // Were little made, little refused, or little waiting at the end, little would have been tested.
  expect([log.entries > 120, log.told > 10, log.pending > 100, log]).toEqual([true, true, true, log]);
});
