import { api, type Schemas } from './client';

/** What is put straight on a node, with the version that a change of it has to know. */
export interface Said {
  overrides: Schemas['OverrideView'][];
  version: string;
}

export async function overridesAt(node: string): Promise<Said> {
  const { data, response } = await api.GET('/api/v1/overrides', { params: { query: { node } } });
  return { overrides: data ?? [], version: response.headers.get('ETag') ?? '' };
}

/** Takes overrides of one setting back, unless somebody else spoke to the node since it was looked at. */
export async function takeBack(node: string, key: string, version: string): Promise<void> {
  await api.DELETE('/api/v1/overrides', {
    params: { query: { node, key }, header: { 'If-Match': version } },
  });
}
