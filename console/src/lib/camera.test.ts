import { describe, expect, it } from 'vitest';
import { cameraTerm, named, nodeName, segments, stillAddress } from './camera';

const ODD = [
  '07',
  'Kanal 1',
  'a/b',
  'ä"{}:',
  '..',
  '~x',
  '\u202e\u{1f6a2}',
  'a?b#c%2F',
  '\u0001\n',
  'x'.repeat(64),
];

describe('the address of a camera', () => {
  it.each(ODD)('leads back to the camera, whatever its token: %j', (channel) => {
    const at = segments(`haldr-1/${channel}`);
    expect(at.channel).toMatch(/^[A-Za-z0-9_~-][A-Za-z0-9_.-]*$/);
    expect(named(at)).toBe(`haldr-1/${channel}`);
  });

  it('is readable where the token is a plain word', () => {
    expect(stillAddress('haldr-1/07')).toBe('/api/v1/cameras/haldr-1/07/still');
  });

  it('is the one that the service makes', () => {
    expect(segments('haldr-1/Kanal 1').channel).toBe('~S2FuYWwgMQ');
  });
});

describe('a term for one camera', () => {
  it('is in quotes where it has to be', () => {
    expect(cameraTerm('haldr-1/07')).toBe('camera:haldr-1/07');
    expect(cameraTerm('haldr-1/a "b"*')).toBe('camera:"haldr-1/a \\"b\\"\\*"');
  });
});

it('tells groups and cameras apart', () => {
  expect(nodeName('fleet/yard')).toBe('fleet/yard');
  expect(nodeName('fleets-1/01')).toBe('camera:fleets-1/01');
});
