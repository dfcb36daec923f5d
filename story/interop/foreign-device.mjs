// A recorder of the open device standard, written for itself: it shares nothing with the simulated recorders and nothing
// with the client. It plays many variants at once, each under /VARIANT/, in which it does one thing otherwise than most.
// Prints its port. It keeps what is written to it, and refuses what a strict device refuses.
import http from 'node:http'
import crypto from 'node:crypto'
import zlib from 'node:zlib'

const USER = 'choir'
const PASSWORD = 'grey seal'
const SPACES = {
  s: 'http://www.w3.org/2003/05/soap-envelope',
  d: 'http://www.onvif.org/ver10/device/wsdl',
  m1: 'http://www.onvif.org/ver10/media/wsdl',
  m2: 'http://www.onvif.org/ver20/media/wsdl',
  an: 'http://www.onvif.org/ver20/analytics/wsdl',
  rec: 'http://www.onvif.org/ver10/recording/wsdl',
  sch: 'http://www.onvif.org/ver10/schedule/wsdl',
  onv: 'http://www.onvif.org/ver10/schema',
  top: 'http://www.onvif.org/ver10/topics',
  w: 'http://docs.oasis-open.org/wsn/b-2',
  err: 'http://www.onvif.org/ver10/error',
}
const PREFIX_OF = {
  GetProfiles: 'm', GetAnalyticsConfigurations: 'm2', GetVideoAnalyticsConfigurations: 'm1',
  SetVideoEncoderConfiguration: 'm', GetRules: 'an', GetAnalyticsModules: 'an', ModifyRules: 'an',
  ModifyAnalyticsModules: 'an', GetRuleOptions: 'an', GetAnalyticsModuleOptions: 'an', GetRecordings: 'rec',
  GetRecordingJobs: 'rec', SetRecordingJobConfiguration: 'rec', SetRecordingJobMode: 'rec',
  SetRecordingConfiguration: 'rec', GetScheduleList: 'sch', ModifySchedule: 'sch', CreateSchedule: 'sch',
  GetSpecialDayGroupList: 'sch',
}

const escape = (text) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;').replace(/\r/g, '&#13;')
const unescape = (text) =>
  text
    .replace(/&#(\d+);/g, (_, n) => String.fromCodePoint(Number(n)))
    .replace(/&#x([0-9a-fA-F]+);/g, (_, n) => String.fromCodePoint(parseInt(n, 16)))
    .replace(/&lt;/g, '<').replace(/&gt;/g, '>').replace(/&quot;/g, '"').replace(/&apos;/g, "'").replace(/&amp;/g, '&')
const inner = (xml, name) => {
  const found = new RegExp(`<(?:\\w+:)?${name}(?:\\s[^>]*)?>([\\s\\S]*?)</(?:\\w+:)?${name}>`).exec(xml)
  return found ? unescape(found[1]) : null
}
const attribute = (xml, element, name) => {
  const found = new RegExp(`<(?:\\w+:)?${element}\\s[^>]*?\\b${name}="([^"]*)"`).exec(xml)
  return found ? unescape(found[1]) : null
}
const item = (xml, name) => {
  const found =
    new RegExp(`Name="${name}"[^>]*?Value="([^"]*)"`).exec(xml) ?? new RegExp(`Value="([^"]*)"[^>]*?Name="${name}"`).exec(xml)
  return found ? unescape(found[1]) : null
}

class Fault extends Error {
  constructor(code, words, status = 400) {
    super(words)
    this.code = code
    this.status = status
  }
}

const calendar = (...events) =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//a device//\r\n${events
    .map((e, i) => `BEGIN:VEVENT\r\nUID:${i}@device\r\n${e}\r\nEND:VEVENT\r\n`)
    .join('')}END:VCALENDAR\r\n`
const WORKDAYS = calendar('DTSTART:20240101T080000\r\nDTEND:20240101T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR')
const EVERY_DAY = calendar('DTSTART:20240101T000000\r\nDTEND:20240102T000000\r\nRRULE:FREQ=DAILY')

/** What stands in the place of the weekday schedule in the variants that are about schedules. */
const SCHEDULES = {
  'schedule-daily-byday': calendar('DTSTART:20240101T080000\r\nDTEND:20240101T180000\r\nRRULE:FREQ=DAILY;BYDAY=MO,TU,WE,TH,FR'),
  'schedule-duration': calendar('DTSTART:20240101T080000\r\nDURATION:PT10H\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'),
  'schedule-several-rules': calendar(
    'DTSTART:20240101T080000\r\nDTEND:20240101T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU\r\nRRULE:FREQ=WEEKLY;BYDAY=WE,TH,FR'),
  'schedule-second-before-midnight': calendar(
    'DTSTART:20240101T000000\r\nDTEND:20240101T235959\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'),
  'schedule-zone': calendar('DTSTART;TZID=Local:20240101T080000\r\nDTEND;TZID=Local:20240101T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'),
  'schedule-utc': calendar('DTSTART:20240101T080000Z\r\nDTEND:20240101T180000Z\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'),
  'schedule-until': calendar('DTSTART:20240101T080000\r\nDTEND:20240101T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO;UNTIL=20240601T000000'),
  'schedule-count': calendar('DTSTART:20240101T080000\r\nDTEND:20240101T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO;COUNT=10'),
  'schedule-interval': calendar('DTSTART:20240101T080000\r\nDTEND:20240101T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO;INTERVAL=2'),
  'schedule-exception': calendar('DTSTART:20240101T080000\r\nDTEND:20240101T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO\r\nEXDATE:20240108T080000'),
}
const RETENTION = { 'retention-month': 'P1M', 'retention-none': 'P0S' }

class Device {
  constructor(variant) {
    this.variant = variant
    this.odd = variant === 'odd-tokens'
    this.shared = variant.startsWith('shared-schedule')
    this.schedules = new Map()
    this.channels = [1, 2].map((n) => this.channel(n))
  }

  token(kind, n) {
    return this.odd ? `${kind} {${n}}:/"å'` : `${kind}${n}`
  }

  channel(n) {
    const motion = this.token('sched-m', this.shared ? 0 : n)
    this.schedules.set(motion, { name: 'motion', text: SCHEDULES[this.variant] ?? WORKDAYS })
    const always = this.token('sched-c', n)
    this.schedules.set(always, { name: 'always', text: calendar() })
    const c = { n, sensitivity: 5, count: 9, fps: 12, keep: RETENTION[this.variant] ?? 'P30D', jobs: [] }
    c.jobs.push({ token: this.token('job-m', n), schedule: motion, motion: true, before: 5, after: 10, mode: 'Active', profile: 'main' })
    if (this.variant === 'main-and-sub') {
      const second = this.token('sched-s', n)
      this.schedules.set(second, { name: 'motion sub', text: WORKDAYS })
      c.jobs.push({ token: this.token('job-s', n), schedule: second, motion: true, before: 5, after: 10, mode: 'Active', profile: 'sub' })
    }
    c.jobs.push({ token: this.token('job-c', n), schedule: always, motion: false, mode: 'Active', profile: 'main' })
    return c
  }

  lacks(operation) {
    return (
      {
        'no-get-services': ['GetServices'],
        'no-rule-options': ['GetRuleOptions', 'GetAnalyticsModuleOptions'],
        'analytics-list-missing': ['GetAnalyticsConfigurations'],
        'shared-schedule-kept': ['CreateSchedule'],
      }[this.variant] ?? []
    ).includes(operation)
  }

  services() {
    const v = this.variant
    const all = { d: 'device_service', m2: 'media2', m1: 'media', an: 'analytics', rec: 'recording', sch: 'schedule' }
    if (v === 'first-media') delete all.m2
    if (v === 'no-get-services') delete all.m2
    if (v === 'no-schedules') delete all.sch
    if (v === 'no-analytics') delete all.an
    return all
  }

  answer(operation, body) {
    if (this.lacks(operation)) throw new Fault('ActionNotSupported', 'not here', 500)
    const act = this[operation]
    if (typeof act !== 'function' || !/^(Get|Set|Modify|Create)/.test(operation)) {
      throw new Fault('ActionNotSupported', `${operation} is nothing that this device does`, 500)
    }
    return act.call(this, body)
  }

  GetSystemDateAndTime() {
    if (this.variant === 'clock-with-password' && !this.signed) throw new Fault('NotAuthorized', 'who are you')
    const skew = this.variant === 'clock-hours-off' ? 5 * 3600_000 : 0
    const zone = this.variant === 'local-time-alone' ? 2 * 3600_000 : 0
    const now = new Date(Date.now() + skew + zone)
    const name = this.variant === 'local-time-alone' ? 'LocalDateTime' : 'UTCDateTime'
    return `<d:SystemDateAndTime><onv:DateTimeType>Manual</onv:DateTimeType><onv:DaylightSavings>false</onv:DaylightSavings>
      <onv:TimeZone><onv:TZ>${this.variant === 'local-time-alone' ? 'AAA-2' : 'UTC0'}</onv:TZ></onv:TimeZone><onv:${name}><onv:Time><onv:Hour>${now.getUTCHours()}</onv:Hour>
      <onv:Minute>${now.getUTCMinutes()}</onv:Minute><onv:Second>${now.getUTCSeconds()}</onv:Second></onv:Time><onv:Date>
      <onv:Year>${now.getUTCFullYear()}</onv:Year><onv:Month>${now.getUTCMonth() + 1}</onv:Month><onv:Day>${now.getUTCDate()}</onv:Day>
      </onv:Date></onv:${name}></d:SystemDateAndTime>`
  }

  GetServices() {
    return Object.entries(this.services())
      .map(([p, path]) => `<d:Service><d:Namespace>${SPACES[p]}</d:Namespace><d:XAddr>http://192.0.2.7/${this.variant}/${path}</d:XAddr>
        <d:Version><onv:Major>2</onv:Major><onv:Minor>60</onv:Minor></d:Version></d:Service>`)
      .join('')
  }

  GetCapabilities() {
    const at = (name, path) => `<onv:${name}><onv:XAddr>http://192.0.2.7/${this.variant}/${path}</onv:XAddr></onv:${name}>`
    return `<d:Capabilities>${at('Analytics', 'analytics')}${at('Device', 'device_service')}${at('Media', 'media')}
      <onv:Extension>${at('Recording', 'recording')}</onv:Extension></d:Capabilities>`
  }

  GetDeviceInformation() {
    return `<d:Manufacturer>Skårvik</d:Manufacturer><d:Model>FD ${this.variant}</d:Model><d:FirmwareVersion>7</d:FirmwareVersion>
      <d:SerialNumber>foreign-${this.variant}</d:SerialNumber><d:HardwareId>1</d:HardwareId>`
  }

  engines(c) {
    return `<onv:Name>a</onv:Name><onv:UseCount>1</onv:UseCount><onv:AnalyticsEngineConfiguration>${this.modules(c, 'onv:AnalyticsModule')}</onv:AnalyticsEngineConfiguration>
      <onv:RuleEngineConfiguration>${this.rules(c, 'onv:Rule')}</onv:RuleEngineConfiguration>`
  }

  modules(c, as) {
    return `<${as} Name="engine" Type="onv:CellMotionEngine"><onv:Parameters><onv:SimpleItem Name="Sensitivity" Value="${c.sensitivity}"/>
      <onv:ElementItem Name="Layout"><onv:CellLayout Columns="16" Rows="12"><onv:Transformation><onv:Translate x="-1" y="-1"/>
      <onv:Scale x="0.1" y="0.1"/></onv:Transformation></onv:CellLayout></onv:ElementItem></onv:Parameters></${as}>`
  }

  rules(c, as) {
    return `<${as} Name="motion" Type="onv:CellMotionDetector"><onv:Parameters><onv:SimpleItem Name="MinCount" Value="${c.count}"/>
      <onv:SimpleItem Name="ActiveCells" Value="6f8="/></onv:Parameters></${as}>`
  }

  analytics(c) {
    return this.token('va', c.n)
  }

  GetProfiles(body) {
    const first = body.includes(SPACES.m1)
    const part = (name, xml) => (first ? `<m1:${name}Configuration ${xml}</m1:${name}Configuration>` : `<m2:${name} ${xml}</m2:${name}>`)
    const wrap = (xml) => (first ? xml : `<m2:Configurations>${xml}</m2:Configurations>`)
    const profile = (c, which, analytics) => {
      const p = first ? 'm1' : 'm2'
      return `<${p}:Profiles token="${escape(this.token('p-' + which, c.n))}"><${first ? 'onv' : p}:Name>${which}</${first ? 'onv' : p}:Name>${wrap(
        part('VideoSource', `token="vsc${c.n}"><onv:Name>Picture ${c.n}</onv:Name><onv:UseCount>2</onv:UseCount><onv:SourceToken>${escape(this.token('S', c.n))}</onv:SourceToken><onv:Bounds x="0" y="0" width="640" height="480"/>`) +
          part('VideoEncoder', `token="vec${c.n}${which}"><onv:Name>e</onv:Name><onv:UseCount>1</onv:UseCount><onv:Encoding>H264</onv:Encoding><onv:Resolution><onv:Width>640</onv:Width><onv:Height>480</onv:Height></onv:Resolution><onv:RateControl><onv:FrameRateLimit>${c.fps}</onv:FrameRateLimit><onv:EncodingInterval>1</onv:EncodingInterval><onv:BitrateLimit>2048</onv:BitrateLimit></onv:RateControl><onv:Quality>3</onv:Quality>`) +
          (analytics ? part(first ? 'VideoAnalytics' : 'Analytics', `token="${escape(this.analytics(c))}">${this.variant === 'empty-engines' ? '<onv:Name>a</onv:Name>' : this.engines(c)}`) : ''),
      )}</${p}:Profiles>`
    }
    const second = this.variant === 'analytics-on-second-profile'
    return this.channels.map((c) => profile(c, 'main', !second && this.variant !== 'no-analytics') + profile(c, 'sub', second)).join('')
  }

  GetAnalyticsConfigurations() {
    return this.channels.map((c) => `<m2:Configurations token="${escape(this.analytics(c))}">${this.engines(c)}</m2:Configurations>`).join('')
  }

  GetVideoAnalyticsConfigurations() {
    return this.channels.map((c) => `<m1:Configurations token="${escape(this.analytics(c))}">${this.engines(c)}</m1:Configurations>`).join('')
  }

  byAnalytics(body) {
    const token = inner(body, 'ConfigurationToken')
    const found = this.channels.find((c) => this.analytics(c) === token)
    if (!found) throw new Fault('NoConfig', `no configuration ${token}`)
    return found
  }

  GetAnalyticsModules(body) {
    return this.modules(this.byAnalytics(body), 'an:AnalyticsModule')
  }

  GetRules(body) {
    return this.rules(this.byAnalytics(body), 'an:Rule')
  }

  GetAnalyticsModuleOptions() {
    return `<an:Options AnalyticsModule="onv:CellMotionEngine" Name="Sensitivity" Type="xs:integer"><onv:IntRange><onv:Min>0</onv:Min><onv:Max>10</onv:Max></onv:IntRange></an:Options>`
  }

  GetRuleOptions() {
    const owner = this.variant === 'options-without-owner' ? '' : 'RuleType="onv:CellMotionDetector"'
    return `<an:RuleOptions ${owner} Name="MinCount" Type="xs:integer"><onv:IntRange><onv:Min>1</onv:Min><onv:Max>60</onv:Max></onv:IntRange></an:RuleOptions>`
  }

  ModifyAnalyticsModules(body) {
    const c = this.byAnalytics(body)
    const value = Number(item(body, 'Sensitivity'))
    if (!body.includes('CellLayout')) throw new Fault('InvalidModule', 'the layout was left out')
    if (!(value >= 0 && value <= 10)) throw new Fault('InvalidModule', 'Sensitivity is 0 to 10')
    c.sensitivity = value
    return ''
  }

  ModifyRules(body) {
    const c = this.byAnalytics(body)
    if (!body.includes('ActiveCells')) throw new Fault('InvalidRule', 'the cells were left out')
    c.count = Number(item(body, 'MinCount'))
    return ''
  }

  SetVideoEncoderConfiguration(body) {
    const token = attribute(body, 'Configuration', 'token')
    const c = this.channels.find((x) => token === `vec${x.n}main`)
    if (!c) throw new Fault('NoConfig', `no encoder ${token}`)
    if (body.includes(SPACES.m1) && !/ForcePersistence/.test(body)) throw new Fault('InvalidArgs', 'ForcePersistence is missing')
    c.fps = Number(inner(body, 'FrameRateLimit'))
    return ''
  }

  GetRecordings() {
    return this.channels
      .map((c) => `<rec:RecordingItem><onv:RecordingToken>${escape(this.token('R', c.n))}</onv:RecordingToken><onv:Configuration><onv:Source>
        <onv:SourceId>urn:${c.n}</onv:SourceId><onv:Name>${this.variant === 'receiver-sources' ? `Picture ${c.n}` : `cam ${c.n}`}</onv:Name><onv:Location/><onv:Description/><onv:Address/></onv:Source>
        <onv:Content/><onv:MaximumRetentionTime>${c.keep}</onv:MaximumRetentionTime></onv:Configuration></rec:RecordingItem>`)
      .join('')
  }

  job(c, j) {
    const buffers =
      this.variant === 'buffers-as-attributes'
        ? [` Before="PT${j.before}S" After="PT${j.after}S"`, '']
        : this.variant === 'buffers-in-full'
          ? ['', `<onv:Before>P0Y0M0DT0H0M${j.before}S</onv:Before><onv:After>P0Y0M0DT0H0M${j.after}S</onv:After>`]
          : ['', `<onv:Before>PT${j.before}S</onv:Before><onv:After>PT${j.after}S</onv:After>`]
    const receiver = this.variant === 'receiver-sources'
    const source = receiver ? this.token('RX', c.n) : this.token('p-' + j.profile, c.n)
    return `<onv:RecordingToken>${escape(this.token('R', c.n))}</onv:RecordingToken><onv:Mode>${j.mode}</onv:Mode><onv:Priority>1</onv:Priority>
      <onv:Source><onv:SourceToken Type="http://www.onvif.org/ver10/schema/${receiver ? 'Receiver' : 'Profile'}"><onv:Token>${escape(source)}</onv:Token></onv:SourceToken>
      <onv:Tracks><onv:SourceTag>v</onv:SourceTag><onv:Destination>V</onv:Destination></onv:Tracks></onv:Source>
      ${j.motion ? `<onv:EventFilter${buffers[0]}><onv:Filter><w:Topic Dialect="x">top:VideoSource/MotionAlarm</w:Topic></onv:Filter>${buffers[1]}</onv:EventFilter>` : ''}`
  }

  GetRecordingJobs() {
    const scheduled = this.variant !== 'no-schedules'
    return this.channels
      .flatMap((c) => c.jobs.filter((j) => scheduled || j.motion).map((j) => `<rec:JobItem><onv:JobToken>${escape(j.token)}</onv:JobToken><onv:JobConfiguration${scheduled ? ` ScheduleToken="${escape(j.schedule)}"` : ''}>${this.job(c, j)}</onv:JobConfiguration></rec:JobItem>`))
      .join('')
  }

  jobOf(body) {
    const token = inner(body, 'JobToken')
    for (const c of this.channels) for (const j of c.jobs) if (j.token === token) return j
    throw new Fault('NoRecordingJob', `no job ${token}`)
  }

  SetRecordingJobConfiguration(body) {
    const j = this.jobOf(body)
    const schedule = attribute(body, 'JobConfiguration', 'ScheduleToken')
    if (this.variant !== 'no-schedules' && !this.schedules.has(schedule)) throw new Fault('BadConfiguration', `no schedule ${schedule}`)
    if (!/Destination/.test(body)) throw new Fault('BadConfiguration', 'the tracks were left out')
    j.schedule = schedule ?? j.schedule
    if (j.motion) {
      const seconds = (name) => {
        const text = inner(body, name) ?? attribute(body, 'EventFilter', name)
        return Number(/(\d+)S$/.exec(text)?.[1] ?? NaN)
      }
      if (this.variant === 'buffers-as-attributes' && inner(body, 'Before')) throw new Fault('BadConfiguration', 'no such element')
      if (Number.isNaN(seconds('Before')) || Number.isNaN(seconds('After'))) throw new Fault('BadConfiguration', 'a buffer is missing')
      j.before = seconds('Before')
      j.after = seconds('After')
    }
    j.mode = inner(body, 'Mode')
    return ''
  }

  SetRecordingJobMode(body) {
    this.jobOf(body).mode = inner(body, 'Mode')
    return ''
  }

  SetRecordingConfiguration(body) {
    const c = this.channels.find((x) => this.token('R', x.n) === inner(body, 'RecordingToken'))
    if (!c) throw new Fault('NoRecording', 'no such recording')
    c.keep = inner(body, 'MaximumRetentionTime')
    return ''
  }

  GetScheduleList() {
    return [...this.schedules]
      .map(([token, s]) => `<sch:Schedule token="${escape(token)}"><sch:Name>${escape(s.name)}</sch:Name><sch:Standard>${escape(s.text)}</sch:Standard></sch:Schedule>`)
      .join('')
  }

  GetSpecialDayGroupList() {
    return ''
  }

  taken(body) {
    const text = inner(body, 'Standard')
    if (this.variant === 'no-empty-calendar' && !/BEGIN:VEVENT/.test(text)) throw new Fault('InvalidSchedule', 'a schedule has an event')
    if (!/^BEGIN:VCALENDAR\r\n/.test(text)) throw new Fault('InvalidSchedule', 'that is no calendar')
    return text
  }

  ModifySchedule(body) {
    const token = attribute(body, 'Schedule', 'token')
    if (!this.schedules.has(token)) throw new Fault('NotFound', `no schedule ${token}`)
    this.schedules.get(token).text = this.taken(body)
    return ''
  }

  CreateSchedule(body) {
    if (attribute(body, 'Schedule', 'token')) throw new Fault('CapabilityViolated', 'tokens are given here')
    const token = this.token('made', this.schedules.size)
    this.schedules.set(token, { name: inner(body, 'Name') ?? '', text: this.taken(body) })
    return `<sch:Token>${escape(token)}</sch:Token>`
  }
}

// ---- who may ask

const nonces = new Map()

function headerSigned(body, device) {
  const user = inner(body, 'Username')
  const [nonce, created, digest] = [inner(body, 'Nonce'), inner(body, 'Created'), inner(body, 'Password')]
  if (!user || !nonce || !created) return false
  const skew = device.variant === 'clock-hours-off' ? 5 * 3600_000 : 0
  if (device.variant !== 'clock-with-password' && Math.abs(Date.parse(created) - Date.now() - skew) > 60_000) return false
  const sha = crypto.createHash('sha1').update(Buffer.from(nonce, 'base64')).update(created).update(PASSWORD)
  return user === USER && sha.digest('base64') === digest
}

function digestSigned(request, device) {
  const header = request.headers.authorization ?? ''
  const field = (name) => new RegExp(`\\b${name}="?([^",]*)"?`).exec(header)?.[1] ?? ''
  const hash = (text) => crypto.createHash(device.variant === 'digest-sha256' ? 'sha256' : 'md5').update(text).digest('hex')
  const seen = nonces.get(field('nonce'))
  if (!header.startsWith('Digest ') || seen === undefined || field('uri') !== request.url) return false
  const count = parseInt(field('nc'), 16)
  if (!(count > seen)) return false // a count that was used is a replay
  const one = hash(`${USER}:a device:${PASSWORD}`)
  const two = hash(`${request.method}:${field('uri')}`)
  if (hash(`${one}:${field('nonce')}:${field('nc')}:${field('cnonce')}:${field('qop')}:${two}`) !== field('response')) return false
  nonces.set(field('nonce'), count)
  return true
}

function challenge(device) {
  const nonce = crypto.randomBytes(8).toString('hex')
  nonces.set(nonce, 0)
  return `Digest realm="a device", qop="auth", algorithm=${device.variant === 'digest-sha256' ? 'SHA-256' : 'MD5'}, nonce="${nonce}"`
}

// ---- how it is said

function envelope(body, device) {
  if (device.variant === 'default-namespaces') return inDefaultNamespaces(body)
  const declared = Object.entries(SPACES).map(([p, uri]) => `xmlns:${p}="${uri}"`).join(' ')
  return `<?xml version="1.0"?>\n<!-- a device --><s:Envelope ${declared}><s:Header/><s:Body>${body}</s:Body></s:Envelope>`
}

/** The same without prefixes on elements: each declares its own namespace where it differs from the one around it. */
function inDefaultNamespaces(body) {
  const values = `xmlns:onv="${SPACES.onv}" xmlns:top="${SPACES.top}"`
  const bare = body.replace(/<(\/?)(s|d|m1|m2|an|rec|sch|onv|w|err):(\w+)/g, (_, end, p, name) =>
    end ? `</${name}` : `<${name} xmlns="${SPACES[p]}"`)
  return `<Envelope xmlns="${SPACES.s}" ${values}><Body>${bare}</Body></Envelope>`
}

function dressed(xml, device) {
  let text = xml
  if (device.variant === 'unknown-elements') {
    text = text.replace(/(<(?:d|m2|rec|sch):(?:Service|Profiles|RecordingItem|JobItem|Schedule)\b[^>]*>)/g, '$1<x:New xmlns:x="urn:x" y="z"><x:More/></x:New>')
  }
  if (device.variant === 'byte-order-mark') return Buffer.from('\ufeff' + text, 'utf8')
  if (device.variant === 'utf-16') {
    return Buffer.from('\ufeff' + text.replace('<?xml version="1.0"?>', '<?xml version="1.0" encoding="UTF-16"?>'), 'utf16le')
  }
  return Buffer.from(text, 'utf8')
}

function faultOf(e, device) {
  const words =
    device.variant === 'fault-in-languages'
      ? `<s:Text xml:lang="de">nicht hier</s:Text><s:Text xml:lang="en">${escape(e.message)}</s:Text>`
      : `<s:Text xml:lang="en">${escape(e.message)}</s:Text>`
  return `<s:Fault><s:Code><s:Value>s:Sender</s:Value><s:Subcode><s:Value>err:${e.code}</s:Value></s:Subcode></s:Code><s:Reason>${words}</s:Reason></s:Fault>`
}

function send(request, response, device, status, xml) {
  const bytes = dressed(xml, device)
  const type = 'application/soap+xml; charset=' + (device.variant === 'utf-16' ? 'utf-16' : 'utf-8')
  switch (device.variant) {
    case 'http-1.0':
      response.socket.end(Buffer.concat([Buffer.from(`HTTP/1.0 ${status} Here\r\nContent-Type: ${type}\r\n\r\n`), bytes]))
      return
    case 'compressed':
      response.writeHead(status, { 'Content-Type': type, 'Content-Encoding': 'gzip' })
      response.end(zlib.gzipSync(bytes))
      return
    case 'chunks':
      response.writeHead(status, { 'Content-Type': type })
      for (let i = 0; i < bytes.length; i += 777) response.write(bytes.subarray(i, i + 777))
      response.end()
      return
    case 'closes-silently':
      response.writeHead(status, { 'Content-Type': type, 'Content-Length': bytes.length, Connection: 'keep-alive' })
      response.end(bytes, () => request.socket.end())
      return
    default:
      response.writeHead(status, { 'Content-Type': type, 'Content-Length': bytes.length })
      response.end(bytes)
  }
}

const OPEN = ['GetServices', 'GetCapabilities', 'GetSystemDateAndTime']
const devices = new Map()

http
  .createServer((request, response) => {
    const variant = request.url.split('/')[1]
    if (!devices.has(variant)) devices.set(variant, new Device(variant))
    const device = devices.get(variant)
    const chunks = []
    request.on('data', (c) => chunks.push(c))
    request.on('end', () => {
      const body = Buffer.concat(chunks).toString('utf8')
      if (request.method === 'GET') {
        // What it holds, for whoever judges.
        response.end(JSON.stringify({ channels: device.channels, schedules: [...device.schedules] }))
        return
      }
      const operation = /Body[^>]*>\s*<(?:\w+:)?(\w+)/.exec(body)?.[1] ?? ''
      const digest = variant.startsWith('digest-') || variant === 'password-readable'
      device.signed = digest ? digestSigned(request, device) : headerSigned(body, device)
      if (!device.signed && !(OPEN.includes(operation) && variant !== 'clock-with-password')) {
        if (variant === 'password-readable') {
          response.writeHead(401, { 'WWW-Authenticate': 'Basic realm="a device"' })
          response.end()
        } else if (digest) {
          response.writeHead(401, { 'WWW-Authenticate': challenge(device) })
          response.end()
        } else if (variant === 'forbidden-for-wrong') {
          response.writeHead(403)
          response.end()
        } else {
          send(request, response, device, 400, envelope(faultOf(new Fault('NotAuthorized', 'who are you'), device), device))
        }
        return
      }
      try {
        const content = device.answer(operation, body)
        const given = PREFIX_OF[operation] ?? 'd'
        const p = given === 'm' ? (body.includes(SPACES.m1) ? 'm1' : 'm2') : given
        send(request, response, device, 200, envelope(`<${p}:${operation}Response>${content}</${p}:${operation}Response>`, device))
      } catch (e) {
        if (!(e instanceof Fault)) throw e
        const status = variant === 'faults-with-200' ? 200 : e.status
        send(request, response, device, status, envelope(faultOf(e, device), device))
      }
    })
  })
  .listen(0, '127.0.0.1', function () {
    console.log(`port ${this.address().port}`)
  })
