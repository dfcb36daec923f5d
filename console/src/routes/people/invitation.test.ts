import { describe, expect, it } from 'vitest';
import { invitation, invitationLink, refusal } from './invitation';

describe('an invitation', () => {
  it('is the same after it went by a link, whatever the name', () => {
    for (const name of ['ada', 'Åsa.B', 'o@quay', 'a:b']) {
      const given = { name, oneTimePassword: 'aB3_-x' };
      expect(invitation(new URL(invitationLink('http://127.0.0.1:7480', given)).hash)).toEqual(given);
    }
  });

  it('is none when the address says something else', () => {
    for (const hash of [
      '',
      '#',
      '#invited=',
      '#invited=ada',
      '#invited=ada:',
      '#invited=%E0%A4%A:x',
      '#other=ada:x',
    ])
      expect(invitation(hash)).toBeUndefined();
  });
});

describe('a refusal', () => {
  it('is said in words, and never in those of the address', () => {
    expect(refusal('#refused=no-role')).toContain('no group');
    expect(refusal('#refused=made-up-by-somebody')).toContain('cannot be asked');
    expect(refusal('#refused=<b>hello</b>')).toBeUndefined();
    expect(refusal('')).toBeUndefined();
  });
});
