'use client';

import type { ReactNode } from 'react';
import type { PropertyGroup } from '@/core/styles';
import { BackgroundLayers } from './BackgroundLayers';
import { ContrastNote } from './ContrastNote';
import { EdgeControls, OpacityControl } from './EdgeControls';
import { HoldControls } from './HoldControls';
import { DisplayControls, FlowControls } from './LayoutControls';
import { TextControls } from './TextControls';
import { ScreenHeight } from './ScreenHeight';
import { ShadowList } from './ShadowList';
import type { Shaped } from './shape';
import { TrackList } from './TrackList';

/** What stands above the plain values of a group: controls made for them. */
export function groupControls(group: PropertyGroup, shaped: Shaped): ReactNode {
  switch (group) {
    case 'Layout':
      return <DisplayControls shaped={shaped} />;
    case 'Flex and grid':
      return (
        <>
          <FlowControls shaped={shaped} />
          <TrackList shaped={shaped} />
        </>
      );
    case 'Size':
      return <ScreenHeight shaped={shaped} />;
    case 'Position':
      return <HoldControls shaped={shaped} />;
    case 'Type':
      return <TextControls shaped={shaped} />;
    case 'Colour and background':
      return (
        <>
          <BackgroundLayers shaped={shaped} />
          {shaped.ids.length === 1 && <ContrastNote id={shaped.ids[0]!} />}
        </>
      );
    case 'Border':
      return <EdgeControls shaped={shaped} />;
    case 'Effects':
      return (
        <>
          <OpacityControl shaped={shaped} />
          <ShadowList shaped={shaped} />
        </>
      );
    default:
      return null;
  }
}
