/*
 * What the first requests would load while nobody else is answered, half a second for the library that drives the browser
 * alone: loaded before the program says that it is there.
 */
import { demoProject } from '@/demo';
import './browser/compare';
import './browser/try-fixes';
import './jobs/audit-jobs';
import './jobs/picture-jobs';
import './live/edit-stream';
import './store/edit-log';

// Read once, and a tenth of a second the first time.
demoProject('00000000-0000-4000-8000-000000000000');
