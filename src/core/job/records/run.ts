import { z } from 'zod';
import { sameKey } from '../../base/text/sameKey';
import { amount, Id, line, whole } from './fields';
import { clearedWith, defineTable } from './table';

export const CARRIES = ['ethernet', 'fibre', 'coax', 'telephone', 'speaker', 'other'] as const;
export type Carries = (typeof CARRIES)[number];
/** How far a run has come. Landed is not among them: a landing says so. */
export const RUN_STATES = ['wanted', 'pulled', 'tested', 'failed'] as const;
export const ENTRY_SIDES = ['top', 'bottom', 'back', 'left', 'right'] as const;
export const ORIGINS = ['new', 'found'] as const;
export const SCOPES = ['now', 'later'] as const;

/** One permanent cable from an outlet to the cabinet. */
export const Run = z
  .strictObject({
    id: Id,
    label: line(40),
    floor: line(60).default(''),
    room: line(60).default(''),
    outlet: line(60).default(''),
    carries: z.enum(CARRIES).default('ethernet'),
    cable: line(60).default('').describe('kind of cable, such as Cat 6 U/UTP'),
    lengthMm: whole(1, 10_000_000).nullable().default(null).describe('fixed cable as measured, mm; null not measured'),
    device: line(80).default('').describe('what hangs on it; empty: spare'),
    speedMbps: whole(1, 800_000).nullable().default(null).describe('speed wanted'),
    poeW: amount(0, 1000)
      .nullable()
      .default(null)
      .describe('watts the device draws over the cable; 0: none; null: not entered'),
    poeClass: whole(0, 8).nullable().default(null).describe('power class of the device (IEEE 802.3); null: not known'),
    networkId: Id.nullable().default(null),
    critical: z.boolean().default(false),
    jacket: line(30).default('').describe('colour of the jacket'),
    bundle: line(40).default('').describe('the bundle it is pulled and tied with'),
    entry: z.enum(ENTRY_SIDES).nullable().default(null).describe('side where it enters the cabinet'),
    tailMm: whole(0, 100_000).nullable().default(null).describe('free cable inside the cabinet, mm'),
    outletHeightMm: whole(0, 20_000).nullable().default(null).describe('outlet above the floor, mm'),
    state: z.enum(RUN_STATES).default('wanted'),
    origin: z.enum(ORIGINS).default('new').describe('found: it was there before this job'),
    scope: z.enum(SCOPES).default('now').describe('later: left out of this job, kept on the list'),
    askedBy: line(80).default('').describe('the wish, outlet and jack that asked for it'),
    notes: line(500).default(''),
  })
  .meta({ id: 'Run' });
export type Run = z.infer<typeof Run>;

/** The names of a field of a run, on screen and in cable lists. */
export type FieldWords = {
  /** Its column in our CSV files. A length has one column for each unit: `_m` and `_ft`. */
  column: string;
  name: string;
  /** The heading of a narrow column. */
  short: string;
  /**
   * Headings that cable lists use for it in English, German, French, Spanish and Dutch. Case, accents, spaces and signs are
   * ignored. When two fields share a heading, the first one gets it.
   */
  headings: string;
  /** Lengths only: an example for error messages, mm. */
  exampleMm?: number;
};

/** Every field of a run except its id, in column order. The network is shown by its name. */
export const RUN_FIELDS = {
  label: {
    column: 'label',
    name: 'Label',
    short: 'Label',
    headings:
      'label, cable no, cable number, cable id, cable label, cable nr, run, run label, run no, run id, drop, drop no, ' +
      'drop id, tag, circuit id, id, no, nr, number, name, kabel nr, kabelnummer, kabel id, bezeichnung, beschriftung, ' +
      'kennung, nummer, n, numero, numero de cable, n de cable, repere, etiquette, reference, cable n, etiqueta, ' +
      'identificador, referencia, kabellabel',
  },
  floor: {
    column: 'floor',
    name: 'Floor',
    short: 'Floor',
    headings:
      'floor, level, storey, story, etage, stockwerk, geschoss, ebene, niveau, planta, piso, nivel, verdieping, ' +
      'bouwlaag',
  },
  room: {
    column: 'room',
    name: 'Room',
    short: 'Room',
    headings:
      'room, location, place, area, space, raum, zimmer, ort, standort, raumname, piece, salle, local, emplacement, ' +
      'lieu, sala, habitacion, ubicacion, cuarto, lugar, ruimte, kamer, locatie, plaats',
  },
  outlet: {
    column: 'outlet',
    name: 'Outlet',
    short: 'Outlet',
    headings:
      'outlet, jack, faceplate, wall plate, position, socket, outlet id, dose, anschlussdose, auslass, steckdose, ' +
      'anschluss, prise, boitier, toma, roseta, aansluiting, contactdoos, wandcontactdoos, wcd',
  },
  carries: {
    column: 'carries',
    name: 'Carries',
    short: 'Carries',
    headings: 'carries, signal, media, medium, service, dienst, senal, servicio, signaal',
  },
  cable: {
    column: 'cable',
    name: 'Cable',
    short: 'Cable',
    headings:
      'cable, cable type, type, category, cat, kabel, kabeltyp, kabelart, typ, kategorie, type de cable, categorie, ' +
      'tipo, tipo de cable, categoria, kabeltype, kabelsoort',
  },
  lengthMm: {
    column: 'length',
    name: 'Length',
    short: '',
    headings:
      'length, len, cable length, distance, lange, laenge, kabellange, kabellaenge, longueur, longitud, largo, lengte, ' +
      'kabellengte',
    exampleMm: 22_500,
  },
  device: {
    column: 'device',
    name: 'Device',
    short: 'Device',
    headings:
      'device, equipment, connected device, end device, endpoint, use, gerat, geraet, endgerat, endgeraet, verwendung, ' +
      'appareil, equipement, dispositivo, equipo, aparato, apparaat, toestel',
  },
  speedMbps: {
    column: 'speed_mbps',
    name: 'Speed in Mb/s',
    short: 'Mb/s',
    headings:
      'speed, speed mbps, mbps, rate, data rate, link speed, bandwidth, geschwindigkeit, datenrate, tempo, debit, ' +
      'vitesse, velocidad, snelheid, bandbreedte, bandbreite',
  },
  poeW: {
    column: 'poe_w',
    name: 'PoE watts',
    short: 'PoE W',
    headings: 'poe, poe w, poe watts, watts, watt, power, leistung, puissance, potencia, vermogen',
  },
  poeClass: {
    column: 'poe_class',
    name: 'PoE class',
    short: 'Class',
    headings: 'poe class, power class, class, poe klasse, klasse, classe poe, classe, clase poe, clase',
  },
  networkId: {
    column: 'network',
    name: 'Network',
    short: 'Network',
    headings: 'network, vlan, subnet, network name, netz, netzwerk, reseau, red, netwerk',
  },
  critical: {
    column: 'critical',
    name: 'Critical',
    short: 'Critical',
    headings:
      'critical, important, priority, kritisch, wichtig, critique, prioritaire, critico, importante, kritiek, ' +
      'belangrijk',
  },
  jacket: {
    column: 'jacket',
    name: 'Jacket colour',
    short: 'Jacket',
    headings:
      'jacket, colour, color, jacket colour, jacket color, farbe, kabelfarbe, mantelfarbe, couleur, gaine, ' +
      'color de cubierta, cubierta, kleur, mantelkleur',
  },
  bundle: {
    column: 'bundle',
    name: 'Bundle',
    short: 'Bundle',
    headings: 'bundle, group, bundel, buendel, gruppe, faisceau, groupe, haz, grupo, groep',
  },
  entry: {
    column: 'entry',
    name: 'Entry side',
    short: 'Entry',
    headings: 'entry, entry side, einfuhrung, einfuehrung, entree, entrada, invoer',
  },
  tailMm: {
    column: 'tail',
    name: 'Free tail',
    short: 'Tail',
    headings: 'tail, free tail, slack, reserve, mou, reserva, overlengte',
    exampleMm: 1500,
  },
  outletHeightMm: {
    column: 'outlet_height',
    name: 'Height of the outlet',
    short: 'High',
    headings: 'outlet height, height, hohe, hoehe, hauteur, altura, hoogte',
    exampleMm: 300,
  },
  state: {
    column: 'state',
    name: 'State',
    short: 'State',
    headings: 'state, status, zustand, etat, statut, estado, toestand',
  },
  origin: {
    column: 'origin',
    name: 'Origin',
    short: 'Origin',
    headings: 'origin, existing, herkunft, bestand, origine, existant, origen, existente, herkomst, bestaand',
  },
  scope: {
    column: 'scope',
    name: 'Scope',
    short: 'Scope',
    headings: 'scope, phase, when, umfang, fase, portee, alcance',
  },
  askedBy: {
    column: 'asked_by',
    name: 'Asked by',
    short: 'Asked by',
    headings: 'asked by, wish, requested by, wunsch, souhait, deseo, wens',
  },
  notes: {
    column: 'notes',
    name: 'Notes',
    short: 'Notes',
    headings:
      'notes, note, remarks, remark, comment, comments, bemerkung, bemerkungen, notiz, notizen, kommentar, anmerkung, ' +
      'remarque, remarques, commentaire, notas, nota, observaciones, comentario, comentarios, opmerking, opmerkingen, ' +
      'notitie',
  },
} as const satisfies Record<Exclude<keyof Run, 'id'>, FieldWords>;

export const isNow = (run: Run): boolean => run.scope === 'now';
/** A run of this job with a device on it; the others wait unpatched unless asked for. */
export const isLive = (run: Run): boolean => run.device !== '' && isNow(run);
/** A cable that was there before and of which nobody knows yet where it ends. */
export const isUntraced = (run: Run): boolean => run.origin === 'found' && run.room === '' && run.outlet === '';

export const runs = defineTable({
  name: 'runs',
  about: 'plan',
  private: false,
  stations: ['runs'],
  row: 'run',
  one: 'run',
  atMost: 20_000,
  schema: Run,
  title: (row) => row.label,
  keys: [
    {
      what: 'label',
      of: (row) => sameKey(row.label),
      words: (row) => `the label ${row.label}`,
      taken: (row) => `There is a run labelled ${row.label} already: labels are unique within a job.`,
    },
  ],
  refers: [clearedWith('networkId', 'networks')],
});
