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
