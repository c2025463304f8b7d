import type { ErrorCode } from '../errors.js';
import { ERROR_CATALOGUE } from '../errors.js';

/** The refusals that a visitor can meet who fills in a form as it is. */
const TOLD_TO_VISITORS = [
  ...(['value.required', 'value.not-a-number', 'value.not-whole', 'value.too-small', 'value.too-large'] as const),
  ...(['value.too-long', 'value.too-short', 'value.pattern', 'value.step', 'value.decimals'] as const),
  ...(['value.not-a-date', 'value.not-a-moment', 'value.not-a-time', 'value.not-a-colour'] as const),
  ...(['value.not-a-rating', 'value.not-a-range', 'value.range-order', 'value.too-few', 'value.too-many'] as const),
  ...(['value.not-yes-no', 'value.not-a-choice', 'value.not-money', 'value.currency'] as const),
  ...(['value.not-a-measure', 'value.unit', 'value.not-an-address', 'value.not-an-email'] as const),
  ...(['value.not-a-phone', 'value.not-a-place', 'value.not-a-picture', 'value.not-a-file', 'value.nul'] as const),
  ...(['form.gone', 'form.sent-already', 'form.stale', 'form.email', 'form.needed', 'form.consent'] as const),
  ...(['form.link', 'form.sum', 'picture.type', 'picture.too-large', 'file.type', 'file.too-big'] as const),
  ...(['request.not-found', 'request.too-large', 'request.too-many'] as const),
] as const satisfies readonly ErrorCode[];

export type RefusalWord = `refused.${(typeof TOLD_TO_VISITORS)[number]}`;

/** What they say to visitors in English: the sentences of the catalogue, but for what is said to publishers. */
export const ENGLISH_REFUSALS: Readonly<Record<RefusalWord, string>> = {
  ...(Object.fromEntries(TOLD_TO_VISITORS.map((code) => [`refused.${code}`, ERROR_CATALOGUE[code]])) as Record<
    RefusalWord,
    string
  >),
  'refused.value.not-a-choice': '{label} has no choice “{found}”. Pick one of its choices.',
};

export const GERMAN_REFUSALS: Readonly<Record<RefusalWord, string>> = {
  'refused.value.required': '{label} fehlt.',
  'refused.value.not-a-number': '{label} muss eine Zahl sein, zum Beispiel {example}; „{found}“ ist keine.',
  'refused.value.not-whole': '{label} muss eine ganze Zahl sein; „{found}“ hat Nachkommastellen.',
  'refused.value.too-small': '{label} darf nicht kleiner sein als {least}.',
  'refused.value.too-large': '{label} darf nicht größer sein als {greatest}.',
  'refused.value.too-long': '{label} hat {found} Zeichen; höchstens {greatest} passen hinein.',
  'refused.value.too-short': '{label} hat {found} Zeichen; nötig sind mindestens {least}.',
  'refused.value.pattern':
    '{label} muss aussehen wie {pattern} (# ist eine Ziffer, @ ein Buchstabe, * eines von beiden); „{found}“ tut es nicht.',
  'refused.value.step': '{label} muss ein Vielfaches von {step} ab {from} sein; „{found}“ ist keines.',
  'refused.value.decimals': '{label} hat mehr als {greatest} Nachkommastellen.',
  'refused.value.not-a-date': '{label} muss ein Datum sein, zum Beispiel 2026-12-04; „{found}“ ist keines.',
  'refused.value.not-a-moment':
    '{label} muss ein Datum mit Uhrzeit sein, zum Beispiel 2026-12-04 18:00; „{found}“ ist keines.',
  'refused.value.not-a-time': '{label} muss eine Uhrzeit sein, zum Beispiel 18:00; „{found}“ ist keine.',
  'refused.value.not-a-colour': '{label} muss eine Farbe sein, zum Beispiel #0f6e6a; „{found}“ ist keine.',
  'refused.value.not-a-rating':
    '{label} muss eine Zahl von 0 bis {greatest} in halben Schritten sein; „{found}“ ist keine.',
  'refused.value.not-a-range': '{label} muss aus zwei Werten bestehen, zum Beispiel 10..40; „{found}“ tut es nicht.',
  'refused.value.range-order': '{label} geht von {from} bis {to}, und das liegt davor. Tauschen Sie die beiden.',
  'refused.value.too-few': '{label} hat {found} Einträge; nötig sind mindestens {least}.',
  'refused.value.too-many': '{label} hat {found} Einträge; höchstens {greatest} passen hinein.',
  'refused.value.not-yes-no': '{label} muss Ja oder Nein sein; „{found}“ ist keines von beiden.',
  'refused.value.not-a-choice': '{label} kennt „{found}“ nicht. Wählen Sie etwas, das zur Wahl steht.',
  'refused.value.not-money': '{label} muss ein Geldbetrag sein, zum Beispiel 12,50; „{found}“ ist keiner.',
  'refused.value.currency': '{label} wird in {wanted} angegeben; „{found}“ ist eine andere Währung.',
  'refused.value.not-a-measure':
    '{label} muss eine Zahl mit einer Einheit sein, zum Beispiel 12 {unit}; „{found}“ ist keine.',
  'refused.value.unit': '{label} lässt sich nicht in „{found}“ angeben; möglich ist {wanted}.',
  'refused.value.not-an-address':
    '{label} muss eine Internetadresse sein, die mit http:// oder https:// beginnt; „{found}“ ist keine.',
  'refused.value.not-an-email':
    '{label} muss eine E-Mail-Adresse sein, zum Beispiel name@example.org; „{found}“ ist keine.',
  'refused.value.not-a-phone': '{label} muss eine Telefonnummer mit 5 bis 15 Ziffern sein; „{found}“ ist keine.',
  'refused.value.not-a-place':
    '{label} muss aus einer Breite von −90 bis 90 und einer Länge von −180 bis 180 bestehen; „{found}“ tut es nicht.',
  'refused.value.not-a-picture': '{label} muss eines der Bilder sein, die hier liegen; „{found}“ ist keines.',
  'refused.value.not-a-file': '{label} muss eine der Dateien sein, die hier liegen; „{found}“ ist keine.',
  'refused.value.nul':
    '{label} enthält ein Zeichen, das in keinem Text stehen kann (U+0000). Entfernen Sie es und versuchen Sie es noch einmal.',
  'refused.form.gone': 'Dieses Formular gibt es nicht mehr. Laden Sie die Seite neu.',
  'refused.form.sent-already':
    'Das wurde schon abgeschickt. Laden Sie die Seite neu, um zu sehen, was daraus geworden ist.',
  'refused.form.stale':
    'Ihre Angaben wurden einen Tag lang aufbewahrt und sind nun fort. Füllen Sie das Formular noch einmal aus.',
  'refused.form.email': '„{found}“ ist keine E-Mail-Adresse. Schreiben Sie sie wie name@example.org.',
  'refused.form.needed': '{label} fehlt.',
  'refused.form.consent': 'Hierfür ist Ihre Zustimmung nötig: {words}',
  'refused.form.link': '{label}: Nichts heißt „{found}“. Schreiben Sie den Namen so, wie er auf dieser Website steht.',
  'refused.form.sum': 'Die Summe stimmt nicht. Versuchen Sie es noch einmal.',
  'refused.picture.type': 'Das ist kein Bild, das sich lesen lässt. Möglich sind JPEG, PNG, WebP, AVIF und GIF.',
  'refused.picture.too-large': 'Das Bild hat {found}; höchstens {greatest} werden angenommen.',
  'refused.file.type':
    'Dateien dieser Art werden nicht angenommen. Möglich sind PDF, Dokumente, Texte, Bilder, Ton und Filme.',
  'refused.file.too-big': 'Die Datei hat {found}; höchstens {greatest} werden angenommen.',
  'refused.request.not-found': 'Hier ist nichts.',
  'refused.request.too-large': 'Was Sie schicken, ist größer als {greatest}.',
  'refused.request.too-many': 'Zu viele Versuche. Warten Sie eine Weile und versuchen Sie es dann noch einmal.',
};
