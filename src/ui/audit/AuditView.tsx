'use client';

import { useAudit } from '../state/store';
import { AUDIT_TABS } from '../state/audit-slice';
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { useEffect } from 'react';
import { lookFurther } from '../measuring/sweep';

import { AuditBar } from './AuditBar';
import { ChecksTab } from './ChecksTab';
import { PageReport } from './PageReport';
import { ProjectReport } from './ProjectReport';
import { ProofLine } from './ProofLine';
import { ProposedTab } from './ProposedTab';

const TAB_NAMES = { page: 'This page', project: 'All pages', proposed: 'Proposed breakpoints', checks: 'Checks' } as const;

/** What is wrong, at every width: this page, all pages, where breakpoints are missing, and what is asked at all. */
export function AuditView() {
  const tab = useAudit((audit) => audit.tab);
  useEffect(() => {
    lookFurther(true);
    return () => lookFurther(false);
  }, []);
  return (
    <section aria-label="Audit" className="flex min-h-0 min-w-0 flex-1 flex-col bg-paper">
      <TabGroup
        className="flex min-h-0 flex-1 flex-col"
        selectedIndex={AUDIT_TABS.indexOf(tab)}
        onChange={(index) => useAudit.setState({ tab: AUDIT_TABS[index]! })}
      >
        <div className="flex min-h-10 shrink-0 flex-wrap items-end gap-x-4 border-b border-line bg-sheet px-4">
          <TabList aria-label="Parts of the audit" className="flex flex-wrap gap-x-4">
            {AUDIT_TABS.map((one) => (
              <Tab
                key={one}
                className="border-0 border-b-2 border-transparent bg-transparent px-0.5 pb-2 font-semibold whitespace-nowrap text-muted data-selected:border-reed data-selected:text-ink"
              >
                {TAB_NAMES[one]}
              </Tab>
            ))}
          </TabList>
          <AuditBar />
        </div>
        <TabPanels className="flex min-h-0 flex-1 flex-col">
          {[PageReport, ProjectReport, ProposedTab, ChecksTab].map((Panel, index) => (
            <TabPanel key={AUDIT_TABS[index]} className="flex min-h-0 flex-1 flex-col" tabIndex={-1}>
              <Panel />
            </TabPanel>
          ))}
        </TabPanels>
      </TabGroup>
      <ProofLine />
    </section>
  );
}
