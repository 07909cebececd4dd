import type { SharedStyle } from '@/core/document';
import type { Parts } from './build';
import { styleSet } from './build';

const style = (id: string, name: string, parts: Parts): SharedStyle => ({ id, name, styles: styleSet(parts) });

/** The library's own house style. */
export const SHARED: readonly SharedStyle[] = [
  style('spage', 'Page', {
    base: {
      'font-family': '"Schibsted Grotesk Variable", sans-serif',
      'font-size': '16px',
      'line-height': '1.5',
      color: '#1f2b29',
      'background-color': '#fdfcf8',
    },
  }),
  style('sframe', 'Frame', {
    base: { width: '100%', 'max-width': '1180px', margin: '0 auto', padding: '0 32px' },
    middle: { padding: '0 24px' },
    narrow: { padding: '0 16px' },
  }),
  style('sheader', 'Site header', {
    base: {
      display: 'flex',
      'justify-content': 'space-between',
      'align-items': 'center',
      gap: '12px 32px',
      padding: '22px 32px',
      'border-bottom': '2px solid #26322f',
    },
    middle: { padding: '18px 24px' },
    narrow: { padding: '14px 16px' },
  }),
  style('smenu', 'Menu', {
    base: { display: 'flex', 'flex-wrap': 'wrap', gap: '4px 22px', margin: '0', padding: '0', 'list-style': 'none' },
    narrow: { 'flex-direction': 'column', gap: '14px', 'font-size': '20px' },
  }),
  style('slink', 'Plain link', { base: { color: 'inherit', 'text-decoration': 'none', 'white-space': 'nowrap' } }),
  style('sbrand', 'Name', { base: { 'font-weight': '700', 'font-size': '18px', color: 'inherit', 'text-decoration': 'none' } }),
  style('smenubutton', 'Menu button', {
    base: {
      display: 'none',
      padding: '8px 14px',
      border: '1px solid #26322f',
      'border-radius': '4px',
      'background-color': 'transparent',
    },
    narrow: { display: 'block' },
  }),
  style('stitle', 'Page title', {
    base: { 'font-size': '44px', 'line-height': '1.12', 'font-weight': '750', margin: '0', 'letter-spacing': '-0.5px' },
    middle: { 'font-size': '36px' },
    narrow: { 'font-size': '28px' },
  }),
  style('ssubtitle', 'Section title', {
    base: { 'font-size': '24px', 'line-height': '1.25', margin: '0 0 16px' },
    narrow: { 'font-size': '20px' },
  }),
  style('squiet', 'Quiet text', { base: { color: '#5b6661', 'font-size': '14px', margin: '0' } }),
  style('sbutton', 'Button', {
    base: {
      display: 'inline-block',
      padding: '10px 16px',
      border: '0',
      'border-radius': '4px',
      'background-color': '#1f2b29',
      color: '#fdfcf8',
      'font-size': '15px',
      'font-weight': '600',
      'text-decoration': 'none',
    },
  }),
  style('scard', 'Card', {
    base: {
      display: 'flex',
      'flex-direction': 'column',
      border: '1px solid #3a4744',
      'border-radius': '6px',
      overflow: 'hidden',
      'background-color': '#ffffff',
      margin: '0',
    },
  }),
  style('scardbody', 'Card body', {
    base: { display: 'flex', 'flex-direction': 'column', 'align-items': 'flex-start', gap: '6px', padding: '14px 16px 16px' },
  }),
  style('sfooter', 'Site footer', {
    base: { 'margin-top': '64px', padding: '28px 32px', 'border-top': '1px solid #c9c2b2', 'background-color': '#f3f0e9' },
    narrow: { 'margin-top': '40px', padding: '20px 16px' },
  }),
];
