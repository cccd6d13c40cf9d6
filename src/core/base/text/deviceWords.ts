/** Kinds of device that are normally powered over their cable. Common practice, no source. */
const ALWAYS_POWERED = ['telephone', 'camera', 'access point'] as const;

/** Whether a list names a device that is normally powered over its cable: an access point, an IP camera, a VoIP telephone. */
export const isPoweredByWord = (device: string): boolean =>
  device !== '' && ALWAYS_POWERED.some((kind) => DEVICE_WORDS[kind]?.test(device));

/** What lists call a device of each kind, in the languages they come in. */
export const DEVICE_WORDS: Readonly<Record<string, RegExp>> = {
  television: /televis|\btv\b|fernseh|screen|display/i,
  'set-top box': /set-?top|receiver/i,
  player: /player|console|konsole/i,
  computer: /computer|\bpcs?\b|workstation|laptop|desktop|arbeitsplatz|rechner/i,
  telephone: /phone|telefon|teléfono|téléphone/i,
  camera: /camera|kamera|cámara|caméra/i,
  'access point': /access point|\bap\b|wi-?fi|wlan|funkzugang/i,
  'network speaker': /speaker|lautsprecher/i,
  'control panel': /control panel|keypad|bedienfeld/i,
  printer: /print|copier|drucker|imprimante|impresora/i,
  door: /\bdoor|gate\b|intercom|türsprech|\btür|porte\b|puerta|\bdeur/i,
};
