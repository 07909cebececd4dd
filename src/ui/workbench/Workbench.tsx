'use client';

import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { useCallback, useEffect, useState } from 'react';
import { CommandDialog } from '../commands/CommandDialog';
import { KeysDialog } from '../commands/KeysDialog';
import { recallKeys } from '../input/key-choices';
import { handleKeyDown, keyHandling, releaseKey } from '../commands/keys';
import { watchFingers } from '../input/finger';
import { KeyHandlingContext } from '../input/key-handling';
import { useEntries } from '../findings/entries';
import { FindingsPanel } from '../findings/FindingsPanel';
import { ColumnsPanel } from '../column-grid/ColumnsPanel';
import { Gauge } from '../gauge/Gauge';
import { Inspector } from '../inspector/Inspector';
import { recallLineup } from '../devices/line-up';
import { Outline } from '../outline/Outline';
import { stopListening } from '../editing/live';
import { outliveWindow } from '../editing/unsent';
import { open } from '../view/actions';
import { PANEL_TABS, useSession, usePanels } from '../state/store';
import { RemoveBreakpoint } from '../breakpoints/RemoveBreakpoint';
import { SetPanel } from '../breakpoints/SetPanel';
import { StylesPanel } from '../styles/StylesPanel';
import { MarksBar } from '../writing/MarksBar';
import { Stage } from '../stage/Stage';
import { DropZone } from './DropZone';
import { ConnectionBar } from './ConnectionBar';
import { DamageBar } from './DamageBar';
import { recallPanels } from './panels';
import { Problems } from './Problems';
import { ProposalBar } from './ProposalBar';
import { Splitter } from './Splitter';
import { SHAPING_LEAST, useNarrow } from './use-narrow';
import { PartBar } from '../parts/PartBar';
import { RecordingBar } from '../arrangements/RecordingBar';
import { keepDropsRight } from '../swapping/drops';
import { HeightAxis } from '../heights/HeightAxis';
import { WontOpen } from '../screens/WontOpen';
import { Mark } from '../theme/Mark';
import { GaugeTour } from '../tour/GaugeTour';
import { recallTour } from '../tour/tour';
import { loadTheRest } from '../view/on-demand';
import {
  ArrangementDialog,
  AuditView,
  CutDialog,
  DropDialog,
  LineUp,
  PagesPanel,
  PanelDialog,
  PartDialogs,
  PicturesDialog,
  TableDialog,
} from './later';
import { TopBar } from './TopBar';

const TAB_NAMES = { values: 'Values', findings: 'Findings', set: 'Breakpoints', styles: 'Styles', columns: 'Grid' } as const;

/** Outline, stage, inspector and gauge on one project. */
export function Workbench({ projectId }: { projectId: string }) {
  const [opened, setOpened] = useState<string>();
  const [failure, setFailure] = useState<Error>();
  const begin = useCallback(
    () =>
      void open(projectId).then(() => {
        recallLineup();
        recallTour();
        setFailure(undefined);
        setOpened(projectId);
      }, setFailure),
    [projectId],
  );
  useEffect(() => {
    recallPanels();
    recallKeys();
    begin();
    return stopListening;
  }, [begin]);
  useEffect(watchFingers, []);
  useEffect(outliveWindow, []);
  useEffect(() => {
    // What isn't saved yet would be lost with the window.
    const leaving = (event: BeforeUnloadEvent) => useSession.getState().pending.length > 0 && event.preventDefault();
    const letGo = (event: KeyboardEvent) => releaseKey(event.key);
    const away = () => useSession.setState({ distancesShown: false });
    addEventListener('keydown', handleKeyDown);
    addEventListener('keyup', letGo);
    addEventListener('blur', away);
    addEventListener('beforeunload', leaving);
    return () => {
      removeEventListener('keydown', handleKeyDown);
      removeEventListener('keyup', letGo);
      removeEventListener('blur', away);
      removeEventListener('beforeunload', leaving);
    };
  }, []);
  if (failure) return <WontOpen projectId={projectId} failure={failure} again={begin} />;
  if (opened !== projectId)
    return (
      <p role="status" className="m-0 flex items-center gap-2.5 p-8 text-muted">
        <Mark /> Opening the project …
      </p>
    );
  return (
    <KeyHandlingContext value={keyHandling}>
      <OpenWorkbench />
    </KeyHandlingContext>
  );
}

function OpenWorkbench() {
  const view = useSession((session) => session.mode);
  const pageId = useSession((session) => session.pageId);
  const name = useSession((session) => session.project.name);
  const narrow = useNarrow();
  useEffect(() => keepDropsRight(), []);
  useEffect(loadTheRest, []);
  useEffect(() => {
    document.title = `${name} · Mill Pond`;
  }, [name]);
  return (
    <div className={`flex h-screen flex-col ${narrow ? 'overflow-x-clip overflow-y-auto' : 'overflow-clip'}`}>
      <TopBar />
      {narrow && (
        <p role="note" className="m-0 shrink-0 border-b border-line bg-amber-tint px-3.5 py-1">
          This window is narrower than {SHAPING_LEAST} px. Looking, the line-up and findings work here; to shape a page, make it
          wider.
        </p>
      )}
      <DamageBar />
      <ConnectionBar />
      <div className={`flex flex-1 flex-col ${narrow ? 'min-h-[720px] shrink-0' : 'min-h-0'}`}>
        {view === 'audit' ? <AuditView key={pageId} /> : view === 'pages' ? <PagesPanel /> : <Panels view={view} />}
      </div>
      <RecordingBar />
      <ProposalBar />
      <Problems />
      <CommandDialog />
      <KeysDialog />
      <RemoveBreakpoint />
      <DropZone />
      <PartDialogs />
      <PanelDialog />
      <DropDialog />
      <ArrangementDialog />
      <PicturesDialog />
      <TableDialog />
      <CutDialog />
      <GaugeTour />
    </div>
  );
}

/** Outline, stage or line-up, values and gauge. */
function Panels({ view }: { view: 'shape' | 'lineup' }) {
  const panels = usePanels();
  const panel = useSession((session) => session.panel);
  const pageId = useSession((session) => session.pageId);
  const count = useEntries().length;
  const low = useSession((session) => session.gaugeView === 'low');
  const narrow = useNarrow();
  return (
    <>
      <div className={`flex min-h-0 flex-1 ${narrow ? 'flex-col' : ''}`}>
        {panels.outline.open && !narrow && (
          <div className="flex shrink-0 flex-col border-r border-line" style={{ width: panels.outline.size }}>
            <Outline key={pageId} />
          </div>
        )}
        {!narrow && <Splitter panel="outline" label="Width of the list of elements" grows={1} across />}
        <div className="relative flex min-w-0 flex-1">
          <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            <PartBar />
            <div className="flex min-h-0 min-w-0 flex-1">
              {view === 'shape' ? <Stage /> : <LineUp />}
              {view === 'shape' && <HeightAxis />}
            </div>
          </div>
          <MarksBar />
        </div>
        {!narrow && <Splitter panel="inspector" label="Width of the values" grows={-1} across />}
        {panels.inspector.open && (
          <TabGroup
            as="aside"
            aria-label="Values, findings, breakpoints, styles and grid"
            className={`flex shrink-0 flex-col border-line bg-sheet ${narrow ? 'h-[38%] border-t' : 'border-l'}`}
            style={narrow ? undefined : { width: panels.inspector.size }}
            selectedIndex={PANEL_TABS.indexOf(panel)}
            onChange={(index) => useSession.setState({ panel: PANEL_TABS[index]! })}
          >
            <TabList
              aria-label="What is shown beside the page"
              className="flex h-9 shrink-0 items-end gap-[7px] border-b border-line px-2.5 text-[12px] whitespace-nowrap"
            >
              {PANEL_TABS.map((tab) => (
                <Tab
                  key={tab}
                  className="border-0 border-b-2 border-transparent bg-transparent px-0.5 pb-1.5 font-semibold text-muted data-selected:border-reed data-selected:text-ink"
                >
                  {TAB_NAMES[tab]} {tab === 'findings' && count > 0 && <span className="font-mono text-rust">{count}</span>}
                </Tab>
              ))}
            </TabList>
            <TabPanels className="flex min-h-0 flex-1 flex-col">
              <TabPanel className="flex min-h-0 flex-1 flex-col" tabIndex={-1}>
                <Inspector />
              </TabPanel>
              <TabPanel className="flex min-h-0 flex-1 flex-col" tabIndex={-1}>
                <FindingsPanel />
              </TabPanel>
              <TabPanel className="flex min-h-0 flex-1 flex-col" tabIndex={-1}>
                <SetPanel />
              </TabPanel>
              <TabPanel className="flex min-h-0 flex-1 flex-col" tabIndex={-1}>
                <StylesPanel />
              </TabPanel>
              <TabPanel className="flex min-h-0 flex-1 flex-col" tabIndex={-1}>
                <ColumnsPanel />
              </TabPanel>
            </TabPanels>
          </TabGroup>
        )}
      </div>
      {!low && <Splitter panel="gauge" label="Height of the gauge" grows={-1} across={false} />}
      {panels.gauge.open && (
        <Gauge
          labelWidth={panels.outline.open && !narrow ? panels.outline.size : narrow ? 150 : 216}
          height={panels.gauge.size}
        />
      )}
    </>
  );
}
