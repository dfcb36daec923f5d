import { createRouter } from 'sv-router';
import { segments } from './lib/camera';

/** Every view is loaded when it is needed. */
export const { p, navigate, isActive, route } = createRouter({
  '/': () => import('./routes/Overview.svelte'),
  '/fleet': () => import('./routes/Fleet.svelte'),
  '/group': () => import('./routes/Group.svelte'),
  '/recorders': () => import('./routes/Recorders.svelte'),
  '/recorders/:name': () => import('./routes/Recorder.svelte'),
  '/recorders/:name/sheet': () => import('./routes/Sheet.svelte'),
  '/cameras/:recorder/:channel': () => import('./routes/Camera.svelte'),
  '/cameras/:recorder/:channel/tune': () => import('./routes/Tune.svelte'),
  '/cameras/:recorder/:channel/search': () => import('./routes/Search.svelte'),
  '/cameras/:recorder/:channel/walk': () => import('./routes/Walk.svelte'),
  '/templates': () => import('./routes/Templates.svelte'),
  '/templates/:name': () => import('./routes/Template.svelte'),
  '/templates/:name/edit': () => import('./routes/TemplateEdit.svelte'),
  '/calendars': () => import('./routes/Calendars.svelte'),
  '/rollouts': () => import('./routes/Rollouts.svelte'),
  '/rollouts/:id': () => import('./routes/Rollout.svelte'),
  '/audit': () => import('./routes/Audit.svelte'),
  '/activity': () => import('./routes/Activity.svelte'),
  '/disks': () => import('./routes/Disks.svelte'),
  '/watch': () => import('./routes/Watch.svelte'),
  '/inbox': () => import('./routes/Inbox.svelte'),
  '/people': () => import('./routes/People.svelte'),
  '/journal': () => import('./routes/Journal.svelte'),
  '/guide': () => import('./routes/Guide.svelte'),
  '/guide/:page': () => import('./routes/Guide.svelte'),
  '*': () => import('./routes/NotFound.svelte'),
});

/** The address of a camera's page. */
export function cameraPath(camera: string): string {
  return p('/cameras/:recorder/:channel', { params: { ...segments(camera) } });
}
