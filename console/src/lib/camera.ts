/**
 * A camera is called recorder/channel. The channel is the recorder's own token and opaque: any text of up to 64 characters.
 * The name is taken apart at its first slash, since a recorder's name has none.
 */

export interface Segments {
  recorder: string;
  channel: string;
}

const PLAIN = /^[A-Za-z0-9_-][A-Za-z0-9_.-]*$/;

/** Recorder and channel as they stand in an address: a channel that is more than a plain word goes as base64url. */
export function segments(camera: string): Segments {
  const cut = camera.indexOf('/');
  const channel = camera.slice(cut + 1);
  return {
    recorder: camera.slice(0, Math.max(0, cut)),
    channel: PLAIN.test(channel) ? channel : encoded(channel),
  };
}

function encoded(channel: string): string {
  const bytes = String.fromCharCode(...new TextEncoder().encode(channel));
  return '~' + btoa(bytes).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');
}

/** The name of the camera of an address. */
export function named({ recorder, channel }: Segments): string {
  return `${recorder}/${channel.startsWith('~') ? decoded(channel.slice(1)) : channel}`;
}

function decoded(text: string): string {
  const bytes = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
  return new TextDecoder().decode(Uint8Array.from(bytes, (b) => b.charCodeAt(0)));
}

export function stillAddress(camera: string): string {
  const { recorder, channel } = segments(camera);
  return `/api/v1/cameras/${recorder}/${channel}/still`;
}

/** The term of a selection that means just this camera. */
export function cameraTerm(camera: string): string {
  const plain = /^[^\s,"\\*:]+$/.test(camera);
  return 'camera:' + (plain ? camera : `"${camera.replace(/["\\*]/g, '\\$&')}"`);
}

/** A node as the service reads it. */
export function nodeName(node: string): string {
  return node === 'fleet' || node.startsWith('fleet/') ? node : `camera:${node}`;
}
