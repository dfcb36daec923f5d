import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** Something the service refused, in its own words; 401 sends the person back to the sign-in. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly faults: { line: number; column: number; path: string; problem: string }[] = [],
    /** Of a certificate that nobody has confirmed yet. */
    readonly fingerprint?: string,
    /** What kind of refusal it is, where somebody goes by it. */
    readonly code?: string,
  ) {
    super(message);
  }
}

function cookie(name: string): string {
  const found = document.cookie.split('; ').find((c) => c.startsWith(name + '='));
  return found ? decodeURIComponent(found.slice(name.length + 1)) : '';
}

const guard: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', cookie('XSRF-TOKEN'));
    }
    return request;
  },
  async onResponse({ response }) {
    if (response.ok) {
      return undefined;
    }
    const body = (await response
      .clone()
      .json()
      .catch(() => ({}))) as {
      detail?: string;
      faults?: Refused['faults'];
      fingerprint?: string;
      code?: string;
    };
    if (response.status === 401) {
      window.dispatchEvent(new CustomEvent('choir:signed-out'));
    }
    throw new Refused(
      response.status,
      body.detail ?? `the service answered ${response.status}`,
      body.faults ?? [],
      body.fingerprint,
      body.code,
    );
  },
  onError() {
    return new Refused(0, 'the service does not answer; is it running?');
  },
};

export const api = createClient<paths>({ baseUrl: '/' });
api.use(guard);

/** The answer's content; what was refused has been thrown by then. */
export async function ask<T>(call: Promise<{ data?: T }>): Promise<T> {
  return (await call).data as T;
}
