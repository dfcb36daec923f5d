// An independent client of the open device standard against a simulated recorder:
//   node interop.mjs PORT RECORDER USER PASSWORD
import { createRequire } from 'node:module';
import { promisify } from 'node:util';

const { Cam } = createRequire(import.meta.url)('onvif');
const [port, recorder, username, password] = process.argv.slice(2);
const cam = new Cam({
  hostname: '127.0.0.1',
  port: Number(port),
  path: `/${recorder}/device_service`,
  username,
  password,
  timeout: 10_000,
  autoconnect: false,
});
const call = (name, ...given) => promisify(cam[name].bind(cam))(...given);
const list = (x) => (Array.isArray(x) ? x : x === undefined ? [] : [x]);

/** A call that the client has no method for, with its own authentication and transport. */
function raw(service, body) {
  return new Promise((resolve, reject) =>
    cam._request(
      { service, body: cam._envelopeHeader() + body + cam._envelopeFooter() },
      (error, data, xml) => (error ? reject(error) : resolve(xml)),
    ),
  );
}

try {
  await call('getSystemDateAndTime');
  await call('getServices', true);
  const device = await call('getDeviceInformation');
  console.log('manufacturer', device.manufacturer, 'model', device.model);

  const profiles = list(await call('getProfiles'));
  console.log('profiles', profiles.length);
  const profileToken = profiles[0].$.token;
  console.log('sources', list(await call('getVideoSources')).length);
  console.log('encoders', list(await call('getVideoEncoderConfigurations')).length);
  console.log('stream', (await call('getStreamUri', { protocol: 'RTSP', profileToken })).uri);
  console.log('snapshot', (await call('getSnapshotUri', { profileToken })).uri);

  const jobs = list(await call('getRecordingJobs'));
  const topics = new Set(
    jobs.map((j) => {
      const filter = JSON.stringify(j.jobConfiguration ?? j);
      return filter.includes('CellMotionDetector')
        ? 'motion'
        : filter.includes('DigitalInput')
          ? 'alarm'
          : filter.includes('FieldDetector')
            ? 'analytics'
            : 'continuous';
    }),
  );
  console.log('jobs', [...topics].join(' '));

  const recordings = list(await call('getRecordings'));
  console.log('recordings', recordings.length);
  console.log('replay', await call('getReplayUri', { recordingToken: recordings[0].recordingToken }));

  const configurations = await raw(
    'media2',
    '<GetAnalyticsConfigurations xmlns="http://www.onvif.org/ver20/media/wsdl"/>',
  );
  const token = /Configurations token="([^"]+)"/.exec(configurations)?.[1] ?? 'VAC01';
  const rules = await raw(
    'analytics',
    `<GetRules xmlns="http://www.onvif.org/ver20/analytics/wsdl"><ConfigurationToken>${token}</ConfigurationToken></GetRules>`,
  );
  console.log('rule', /Type="([^"]*CellMotionDetector)"/.exec(rules)?.[1]);

  await call('createPullPointSubscription');
  await fetch(`http://127.0.0.1:${port}/panel/${recorder}/01?walker=on`, { method: 'POST' });
  for (let i = 0; i < 5; i++) {
    const pulled = await call('pullMessages', { messageLimit: 10 });
    const text = JSON.stringify(pulled);
    if (/IsMotion","?Value":(true|"true")/.test(text) || /"IsMotion".{0,40}true/.test(text)) {
      console.log('motion true');
      break;
    }
  }
  await call('renew', {});
  console.log('renewed');
  await call('unsubscribe');
  console.log('given back');
} catch (error) {
  console.log('refused', error.message);
  process.exitCode = 1;
}
