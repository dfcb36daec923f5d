// Three further independent clients of the open device standard against a simulated recorder:
//   node clients.mjs CLIENT PORT RECORDER USER PASSWORD
// Each line that is printed is something that the client understood.
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const [client, port, recorder, user, password] = process.argv.slice(2);
const address = `http://127.0.0.1:${port}/${recorder}/device_service`;
const list = (x) => (Array.isArray(x) ? x : x === undefined || x === null ? [] : [x]);
const say = (...words) => console.log(words.join(' '));

/** A client that begins with the device's own services and asks by the first media service. */
async function first() {
  const { OnvifDevice } = require('node-onvif');
  const device = new OnvifDevice({ xaddr: address, user, pass: password });
  const information = await device.init();
  say('manufacturer', information.Manufacturer, 'model', information.Model);
  say('profiles', device.getProfileList().length);
  const profile = device.getCurrentProfile();
  say('stream', profile.stream.rtsp, 'udp', profile.stream.udp);
  say('snapshot', profile.snapshot);
  say('encoder', profile.video.encoder.encoding, profile.video.encoder.resolution.width);
  const shot = await device.fetchSnapshot();
  say('still', shot.headers['content-type'], shot.body.length > 1000);
  const { media, device: core, events } = device.services;
  const sources = await media.getVideoSources();
  say('sources', list(sources.data.GetVideoSourcesResponse.VideoSources).length);
  const configurations = await media.getVideoSourceConfigurations();
  say(
    'source configurations',
    list(configurations.data.GetVideoSourceConfigurationsResponse.Configurations).length,
  );
  const encoders = await media.getVideoEncoderConfigurations();
  say('encoders', list(encoders.data.GetVideoEncoderConfigurationsResponse.Configurations).length);
  const services = await core.getServices({ IncludeCapability: true });
  say('services', list(services.data.GetServicesResponse.Service).length);
  const scopes = await core.getScopes();
  say('scopes', list(scopes.data.GetScopesResponse.Scopes).length > 0);
  const users = await core.getUsers();
  say('user', list(users.data.GetUsersResponse.User)[0].Username);
  const properties = await events.getEventProperties();
  say('topics', 'RuleEngine' in properties.data.GetEventPropertiesResponse.TopicSet);
}

/** A client that connects, takes what modules the device has, and listens for events by itself. */
async function listening() {
  const manager = require('onvif-nvt');
  const camera = await manager.connect('127.0.0.1', Number(port), user, password, `/${recorder}/device_service`);
  say('manufacturer', camera.deviceInformation.Manufacturer, 'model', camera.deviceInformation.Model);
  say('profiles', camera.profileList.length);
  say('stream', camera.defaultProfile.StreamUri.Uri);
  say('snapshot', camera.defaultProfile.SnapshotUri.Uri);
  const date = await camera.core.getSystemDateAndTime();
  say('clock', date.data.GetSystemDateAndTimeResponse.SystemDateAndTime.DateTimeType);
  const capabilities = await camera.core.getCapabilities();
  say('capabilities', Object.keys(capabilities.data.GetCapabilitiesResponse.Capabilities).sort().join(','));
  const own = await camera.core.getServiceCapabilities();
  say('own capabilities', 'Security' in own.data.GetServiceCapabilitiesResponse.Capabilities);
  camera.add('events');
  const subscribed = await camera.events.createPullPointSubscription();
  say('subscribed', JSON.stringify(subscribed.data).includes('/events/'));
  const reference = subscribed.data.CreatePullPointSubscriptionResponse.SubscriptionReference;
  const pulled = await camera.events.pullMessages(reference, 'PT1S', 10);
  say('pulled', JSON.stringify(pulled.data).includes('CellMotionDetector'));
  const properties = await camera.events.getEventProperties();
  say('properties', 'TopicSet' in properties.data.GetEventPropertiesResponse);
}

/** A client whose requests were made from the standard's own descriptions. */
async function generated() {
  const { createManagedDeviceInNode } = require('onvif-rx');
  const device = createManagedDeviceInNode({ deviceUrl: address, username: user, password });
  const ask = async (call) => {
    const answer = await call.toPromise();
    return answer.match({
      ok: (x) => x.json,
      fail: (x) => {
        throw new Error(`${x.status} ${x.statusMessage} ${JSON.stringify(x)}`);
      },
    });
  };
  const { Device, Media, Analytics, Recording, Search, Replay, Event } = device.api;
  const information = await ask(Device.GetDeviceInformation());
  say('manufacturer', find(information, 'Manufacturer'), 'model', find(information, 'Model'));
  say('services', list(find(await ask(Device.GetServices(false)), 'Service')).length);
  say('capabilities', find(await ask(Device.GetCapabilities()), 'Capabilities') !== undefined);
  say('profiles', list(find(await ask(Media.GetProfiles()), 'Profiles')).length);
  say('rules', JSON.stringify(await ask(Analytics.GetRules('VAC01'))).includes('CellMotionDetector'));
  say('modules', JSON.stringify(await ask(Analytics.GetAnalyticsModules('VAC01'))).includes('CellMotionEngine'));
  say('supported rules', JSON.stringify(await ask(Analytics.GetSupportedRules('VAC01'))).includes('RuleDescription'));
  say(
    'supported modules',
    JSON.stringify(await ask(Analytics.GetSupportedAnalyticsModules('VAC01'))).includes('ModuleDescription'),
  );
  say('recordings', list(find(await ask(Recording.GetRecordings()), 'RecordingItem')).length);
  say('jobs', list(find(await ask(Recording.GetRecordingJobs()), 'JobItem')).length);
  const job = list(find(await ask(Recording.GetRecordingJobs()), 'JobItem'))[0].JobToken;
  say('job state', JSON.stringify(await ask(Recording.GetRecordingJobState(job))).includes('Active'));
  say('summary', find(await ask(Search.GetRecordingSummary()), 'NumberRecordings'));
  const token = find(await ask(Search.FindRecordings({}, 'PT30S')), 'SearchToken');
  const found = await ask(Search.GetRecordingSearchResults(token, 1, 10, 'PT5S'));
  say('found', list(find(found, 'RecordingInformation')).length, find(found, 'SearchState'));
  say('properties', find(await ask(Event.GetEventProperties()), 'TopicSet') !== undefined);
}

/** The first value of that name, wherever it stands and whatever its prefix. */
function find(value, name) {
  if (value === null || typeof value !== 'object') {
    return undefined;
  }
  for (const [key, inside] of Object.entries(value)) {
    const found = key.replace(/^.*:/, '') === name ? inside : find(inside, name);
    if (found !== undefined) {
      return found;
    }
  }
  return undefined;
}

try {
  await { first, listening, generated }[client]();
} catch (error) {
  say('refused', error?.message ?? String(error));
  process.exitCode = 1;
}
process.exit();
