/**
 * An invitation as a link. What stands behind the number sign stays in the browser, so that no log on the way keeps the
 * one-time password.
 */
export function invitationLink(
  origin: string,
  invitation: { name: string; oneTimePassword: string },
): string {
  return `${origin}/#invited=${encodeURIComponent(invitation.name)}:${invitation.oneTimePassword}`;
}

/** Who is invited by the address of the page, and with which one-time password. */
export function invitation(hash: string): { name: string; oneTimePassword: string } | undefined {
  const parts = /^#invited=([^:]+):([\w-]{1,200})$/.exec(hash);
  if (!parts) {
    return undefined;
  }
  try {
    return { name: decodeURIComponent(parts[1]!), oneTimePassword: parts[2]! };
  } catch {
    return undefined;
  }
}

const REFUSALS: Record<string, string> = {
  'no-role': 'Your account is in no group that has a role here. Ask an administrator.',
  'name-taken': 'Somebody else has your name here. Ask an administrator.',
  'odd-name': 'The name of your account cannot be one here. Ask an administrator.',
  over: 'That took too long, or began in another window. Sign in again.',
  failed: "The organisation's accounts cannot be asked now. Who has a password here signs in with it.",
};

/** Why somebody who came by the organisation's accounts was not let in, by the address of the page. */
export function refusal(hash: string): string | undefined {
  const why = /^#refused=([\w-]+)$/.exec(hash)?.[1];
  return why === undefined ? undefined : (REFUSALS[why] ?? REFUSALS.failed);
}
