/**
 * What lists of cables call their columns, in English, German, French, Spanish and Dutch. Case, accents, spaces and signs
 * do not count. The earlier of two columns with the same meaning is taken.
 */
const WORDS = {
  label:
    'label, cable no, cable number, cable id, cable label, cable nr, run, run label, run no, run id, drop, drop no, drop id, tag, circuit id, id, no, nr, number, name, ' +
    'kabel nr, kabelnummer, kabel id, bezeichnung, beschriftung, kennung, nummer, ' +
    'n, numero, numero de cable, n de cable, repere, etiquette, reference, ' +
    'cable n, etiqueta, identificador, referencia, kabellabel',
  floor:
    'floor, level, storey, story, etage, stockwerk, geschoss, ebene, niveau, planta, piso, nivel, verdieping, bouwlaag',
  room:
    'room, location, place, area, space, raum, zimmer, ort, standort, raumname, piece, salle, local, emplacement, lieu, ' +
    'sala, habitacion, ubicacion, cuarto, lugar, ruimte, kamer, locatie, plaats',
  outlet:
    'outlet, jack, faceplate, wall plate, position, socket, outlet id, dose, anschlussdose, auslass, steckdose, anschluss, ' +
    'prise, boitier, toma, roseta, aansluiting, contactdoos, wandcontactdoos, wcd',
  carries: 'carries, signal, media, medium, service, dienst, senal, servicio, signaal',
  cable:
    'cable, cable type, type, category, cat, kabel, kabeltyp, kabelart, typ, kategorie, type de cable, categorie, ' +
    'tipo, tipo de cable, categoria, kabeltype, kabelsoort',
  length:
    'length, len, cable length, distance, lange, laenge, kabellange, kabellaenge, longueur, longitud, largo, lengte, kabellengte',
  device:
    'device, equipment, connected device, end device, endpoint, use, gerat, geraet, endgerat, endgeraet, verwendung, ' +
    'appareil, equipement, dispositivo, equipo, aparato, apparaat, toestel',
  speed_mbps:
    'speed, speed mbps, mbps, rate, data rate, link speed, bandwidth, geschwindigkeit, datenrate, tempo, debit, vitesse, ' +
    'velocidad, snelheid, bandbreedte, bandbreite',
  poe_w: 'poe, poe w, poe watts, watts, watt, power, leistung, puissance, potencia, vermogen',
  poe_class: 'poe class, power class, class, poe klasse, klasse, classe poe, classe, clase poe, clase',
  network: 'network, vlan, subnet, network name, netz, netzwerk, reseau, red, netwerk',
  critical:
    'critical, important, priority, kritisch, wichtig, critique, prioritaire, critico, importante, kritiek, belangrijk',
  jacket:
    'jacket, colour, color, jacket colour, jacket color, farbe, kabelfarbe, mantelfarbe, couleur, gaine, color de cubierta, ' +
    'cubierta, kleur, mantelkleur',
  bundle: 'bundle, group, bundel, buendel, gruppe, faisceau, groupe, haz, grupo, groep',
  entry: 'entry, entry side, einfuhrung, einfuehrung, entree, entrada, invoer',
  tail: 'tail, free tail, slack, reserve, mou, reserva, overlengte',
  outlet_height: 'outlet height, height, hohe, hoehe, hauteur, altura, hoogte',
  state: 'state, status, zustand, etat, statut, estado, toestand',
  origin: 'origin, existing, herkunft, bestand, origine, existant, origen, existente, herkomst, bestaand',
  scope: 'scope, phase, when, umfang, fase, portee, alcance',
  asked_by: 'asked by, wish, requested by, wunsch, souhait, deseo, wens',
  notes:
    'notes, note, remarks, remark, comment, comments, bemerkung, bemerkungen, notiz, notizen, kommentar, anmerkung, ' +
    'remarque, remarques, commentaire, notas, nota, observaciones, comentario, comentarios, opmerking, opmerkingen, notitie',
};
/** A field as headings name it; lengths are told apart by their unit. */
type HeadingField = keyof typeof WORDS;

/** A heading without case, accents, spaces and signs. */
const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[^a-z0-9]/g, '');

const FIELD_OF = new Map<string, HeadingField>(
  (Object.entries(WORDS) as [HeadingField, string][]).flatMap(([field, words]) =>
    words.split(',').map((word) => [plain(word), field] as const),
  ),
);

/** A unit at the end of a heading, in brackets or behind the word. */
const UNIT =
  /[\s([{_,/-]+(m|mtr|meters?|metres?|metern?|metros?|ft|feet|foot|fuss|pieds?|pies?|voet|w|watts?|mb\/?s|mbps|mbit\/?s)[\s.)\]}]*$/i;
const IN_FEET = /^(ft|feet|foot|fuss|pieds?|pies?|voet)/i;

/**
 * What a heading says.
 * @returns null when no list has such a word; `unit` only where the heading tells it
 */
export function readHeading(heading: string): { field: HeadingField; unit: 'm' | 'ft' | null } | null {
  const text = heading.trim();
  const tail = UNIT.exec(text)?.[1] ?? null;
  const unit = tail === null ? null : IN_FEET.test(tail) ? 'ft' : /^m(?!b)/i.test(tail) ? 'm' : null;
  const whole = FIELD_OF.get(plain(text));
  if (whole) return { field: whole, unit };
  const bare = tail === null ? undefined : FIELD_OF.get(plain(text.replace(UNIT, '')));
  return bare ? { field: bare, unit } : null;
}
