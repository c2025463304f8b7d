/**
 * The one catalogue of errors. Every refusal that a person or a program can meet has a code here and a sentence that
 * says what happened and what to do. `{name}` parts are filled in by {@link issue}.
 *
 * The HTTP status of a code is mapped once, in the server's `http/problem.ts`; docs/errors.md lists all codes, and a
 * test proves that the three agree.
 */
export const ERROR_CATALOGUE = {
  'value.nul': '{label} holds a character that no text can hold (U+0000). Remove it and try again.',
  'value.required': '{label} is required.',
  'value.type': '{label} must be {wanted}.',
  'value.not-a-number': '{label} must be a number, such as {example}; “{found}” is not one.',
  'value.not-whole': '{label} must be a whole number; “{found}” has decimals.',
  'value.too-small': '{label} must be at least {least}.',
  'value.too-large': '{label} must be at most {greatest}.',
  'value.too-long': '{label} has {found} characters; at most {greatest} fit.',
  'value.too-short': '{label} has {found} characters; it needs at least {least}.',
  'value.pattern': '{label} must look like {pattern} (# is a digit, @ a letter, * either); “{found}” does not.',
  'value.unread':
    '{label}: “{found}” is not written the way the rest of the file is. Write it the same way, or choose another way of reading this column.',
  'value.step': '{label} must be a multiple of {step} from {from}; “{found}” is not.',
  'value.decimals': '{label} has more than {greatest} decimals.',
  'value.not-a-date': '{label} must be a date, such as 2026-12-04; “{found}” is not one.',
  'value.not-a-moment': '{label} must be a date and a time, such as 2026-12-04 18:00; “{found}” is not.',
  'value.not-a-time': '{label} must be a time of day, such as 18:00; “{found}” is not one.',
  'value.not-a-colour': '{label} must be a colour such as #0f6e6a; “{found}” is not one.',
  'value.not-a-rating': '{label} must be a number from 0 to {greatest} in halves; “{found}” is not.',
  'value.not-a-range': '{label} must be two values such as 10..40; “{found}” is not.',
  'value.range-order': '{label} goes from {from} to {to}, which lies before it. Swap them.',
  'value.not-a-stretch': '{label}: write a stretch of time, such as “{example}”.',
  'value.not-a-distance': '{label}: write how far, such as “10 km”, and from which place.',
  'value.not-a-file': '{label} must be one of the files kept here; “{found}” is not one.',
  'value.not-rows': '{label} must be {wanted}; “{found}” is not.',
  'value.too-few': '{label} has {found} entries; it needs at least {least}.',
  'value.too-many': '{label} has {found} entries; at most {greatest} fit.',
  'value.unknown-part': '{label} has no field “{found}” inside.',
  'value.computed': 'Plindo works out {label} from other fields; it cannot be entered.',
  'value.taken': '{label} must be different in every listing; “{found}” is taken by “{title}”.',
  'value.not-yes-no': '{label} must be yes or no; “{found}” is neither.',
  'value.not-a-choice': '{label} has no choice “{found}”. Pick one of its choices, or add it under Shape.',
  'value.not-money': '{label} must be an amount of money, such as 12.50; “{found}” is not one.',
  'value.currency': '{label} is kept in {wanted}; “{found}” is in another currency.',
  'value.not-a-measure': '{label} must be a number with a unit, such as 12 {unit}; “{found}” is not one.',
  'value.unit': '{label} cannot be given in “{found}”; use {wanted}.',
  'value.not-an-address': '{label} must be a web address that starts with http:// or https://; “{found}” is not one.',
  'value.not-an-email': '{label} must be an e-mail address, such as name@example.org; “{found}” is not one.',
  'value.not-a-phone': '{label} must be a phone number of 5 to 15 digits; “{found}” is not one.',
  'value.not-a-place': '{label} must be a latitude from −90 to 90 and a longitude from −180 to 180; “{found}” is not.',
  'value.not-a-picture': '{label} must be one of the pictures kept here; “{found}” is not one.',
  'listing.not-binned': '“{title}” is not in the bin. Put it there first.',
  'listing.title': 'A listing needs a title.',
  'listing.slug-taken': 'The address “{slug}” is taken by another {kind}.',
  'listing.unknown-field': 'This kind has no field “{found}”.',
  'kind.label': 'Write what one is called and what many are called, such as “Berth” and “Berths”.',
  'kind.label-taken': 'There is already a kind called “{label}”. Choose another name.',
  'kind.slug': 'An address may hold small letters, digits and hyphens; “{slug}” does not fit.',
  'kind.slug-taken': 'The address “/{slug}” is already in use. Choose another.',
  'look.contrast':
    'In the {scheme} scheme {text} ({found}) cannot be read on {ground}: the contrast is {ratio}, and at least {least} is needed. {nearest} is the nearest colour that is enough.',
  'words.unknown': 'There is no sentence with the key “{key}”. Look it up in the list of sentences.',
  'words.empty': 'The new wording of “{sentence}” is empty. Write something, or remove it to get Plindo’s own.',
  'words.place': 'The new wording of “{sentence}” cannot have {place}. It can have {places}.',
  'words.plural':
    'The new wording of “{sentence}”: the language “{language}” has no plural form “{form}”. It has {forms}.',
  'kind.addresses': 'The addresses of the listings are not right: {reason}',
  'kind.structured': 'The data for search engines is not right: {reason}',
  'kind.address-clash':
    '{count} listings would have the same address as another one: “{title}” and “{other}” would both be at “{address}”. Add another value, such as the date or the reference number.',
  'kind.fields': 'The fields are not right: {reason}',
  'link.kinds': 'Choose an existing kind for each end of the link.',
  'link.ends':
    '{labels} is an end of a link. Links are made and deleted as a whole, under Shape; the field goes with its link.',
  'link.exclusive':
    'Each listing that {label} leads to can belong to one listing only, so {label} cannot be set for several at once. Set it for each one.',
  'link.listing': '{label} cannot be linked with “{found}”: it is not a listing of the kind at the other end.',
  'starter.taken': 'There is already {what} here. Rename it, or begin with something else.',
  'blueprint.zip': 'This is not a blueprint that can be applied: {reason}',
  'listing.window': '{label} ({until}) must come after its beginning ({from}).',
  'category.set': 'The category set is not right: {reason}',
  'category.set-taken': 'There is already a category set called “{label}”. Choose another name.',
  'category.set-used': 'The category set “{label}” is used by {uses}. Take it out there first.',
  'kind.facets': 'The facets are not right: {reason}',
  'kind.grouping': 'The headings by date are not right: {reason}',
  'site.notices': 'The notices are not right: {reason}',
  'kind.expiry': 'The expiry rule is not right: {reason}',
  'category.in-rule': 'The category “{label}” is used by the expiry rule of {kind}. Change the rule first, under Run.',
  'selection.name': 'A selection needs a name of 1 to {greatest} characters.',
  'selection.taken': 'There is already a selection called “{name}”.',
  'selection.kinds': 'A selection needs a kind to choose from, or a list of listings.',
  'selection.condition': 'Condition {place}: {reason}',
  'selection.order': 'The order is not right: {reason}',
  'design.name': 'A design needs a name of 1 to {greatest} characters.',
  'design.taken': 'There is already a {type} called “{name}”. Choose another name.',
  'design.card': '{place}: {reason}',
  'design.page': '{place}: {reason}',
  'form.gone': 'This form is not there any more. Load the page again.',
  'form.sent-already': 'This was sent already. Load the page again to see what became of it.',
  'form.stale': 'Your answers were kept for a day, and are gone. Fill in the form again.',
  'form.email': '“{found}” is not an e-mail address. Write it as name@example.org.',
  'form.needed': '{label} is needed.',
  'form.consent': 'This needs your consent: {words}',
  'form.link': '{label}: no listing is called “{found}”. Write the name as it stands on this site.',
  'form.sum': 'The sum is not right. Try again.',
  'submission.decided': 'This submission was decided or changed in the meantime. Reload it to see how it is now.',
  'submission.account': '{name} has an account. Switch it off and erase it under Run, People.',
  'submission.not-new': 'Only what was sent in as a new listing can be added to one that is there already.',
  'submission.reason': 'Write what the sender should know.',
  'design.questions': '{place}: {reason}',
  'design.form': 'The design cannot be read: {place} must be {wanted}.',
  'design.broken': 'The {type} “{name}” uses this and would break. Change it first, under Arrange. {reason}',
  'file.not-records': 'The file could not be read as records: {reason}',
  'file.not-a-workbook': 'The workbook could not be read: {reason}',
  'file.empty': 'The file is empty. Choose one with a header row and at least one row below it.',
  'file.not-text': 'This is not a text file: {reason} Save it as CSV and choose that file.',
  'file.too-large': 'The file has {found}; at most {greatest} can be read at once. Split it and bring in the parts.',
  'file.mixed-encoding':
    'The file mixes two encodings: line {line} is not UTF-8 although other lines are. Save the whole file as UTF-8.',
  'file.quote': 'A quoted value that begins in line {line} {reason} Mend that line and choose the file again.',
  'file.header-missing': 'The first row must name every column; column {column} has no name.',
  'file.header-duplicate': 'Two columns are called “{header}” ({column} and {other}). Give each its own name.',
  'file.no-rows': 'The file has a header row and nothing below it. Add rows, and choose it again.',
  'file.too-many-columns': 'The file has {found} columns; at most {greatest} can be brought in at once.',
  'file.too-big': 'The file has {found}; at most {greatest} are taken.',
  'file.type': 'This type of file is not taken. Use PDF, an office document, text, a picture, sound or video.',
  'again.several': 'Several listings are called “{found}”. Match the rows by something that only one of them has.',
  'again.twice': 'Line {other} is about “{found}” too. Leave one of the two rows.',
  'row.too-many-cells':
    'This row has {found} cells; the header has {wanted}. Put a value that holds a separator between quotes.',
  'import.unfinished': '{seen} of {rows} rows have come. Send the others, or cancel the import.',
  'import.gone': 'This import is no longer running. Start it again from the file.',
  'import.order': 'Rows arrived out of order: {found} instead of {wanted}. Start the import again.',
  'picture.used': 'The picture “{name}” is used by “{title}”. Take it out there first.',
  'picture.used-lately': 'One of these pictures has just come into use. Nothing was deleted; look again.',
  'picture.address': 'The picture at {address} could not be fetched: {reason}',
  'picture.type': 'This is not a picture that can be read. Use JPEG, PNG, WebP, AVIF or GIF.',
  'picture.too-large': 'The picture has {found}; at most {greatest} are taken.',
  'request.malformed': 'The request could not be read: {reason}',
  'request.invalid': 'Something in the request is not right. See the list of issues.',
  'request.not-found': 'There is nothing here.',
  'request.too-large': 'The request is larger than {greatest}.',
  'desk.too-many': 'Too many windows of the Desk are open. Close some, and load this one again.',
  'request.too-many': 'Too many tries. Wait {wait} and try again.',
  'auth.required': 'Sign in first.',
  'auth.forbidden': 'Your role does not allow this.',
  'auth.refused': 'The e-mail address or the password is not right.',
  'auth.csrf': 'The page is out of date. Reload it and try again.',
  'auth.setup-link': 'This link is not valid any more. Start Plindo again to get a new one.',
  'auth.password': 'A password needs at least {least} characters.',
  'auth.password-common': 'This password is one of the commonest, which are tried first. Choose another.',
  'auth.wrong-password': 'The present password is not right.',
  'auth.second-step': 'Type the six digits that your telephone shows.',
  'auth.step-needed': 'Owners need a second step here. Turn it on under your name, “Your access”.',
  'auth.code': 'This code is not right, or was used before. Wait for the next one.',
  'auth.link': 'This link does not work any more: it works once, for 24 hours. Ask for a new one.',
  'auth.session-only': 'Sign in with a browser for this. An access token does not allow it.',
  'auth.read-only': 'This access token may only read.',
  'people.taken': 'Somebody with the address {email} is here already.',
  'people.still-on': 'Switch {name} off first.',
  'people.last-owner': 'A directory needs an owner. Make somebody else an owner first.',
  'backup.running': 'A backup is being made already. Wait until it is there.',
  'token.too-many': 'There are {most} access tokens already. Withdraw one first.',
  'change.clash':
    'Somebody else took that name, address or value at the same moment. Nothing was changed; look again and choose another.',
  'change.conflict': '“{title}” was changed by somebody else in the meantime. Reload it to see the new values.',
  'change.not-undoable':
    'This cannot be undone, because “{title}” was changed again later. Undo the later change first.',
  'change.already-undone': 'This change is undone already.',
  'server.disk-full': 'The disk of the server is full. Nothing was changed. Make room there, and try again.',
  'server.read-only': 'The server can only read its store at this moment. Nothing was changed.',
  'server.store-damaged': 'The store of the server is damaged. Nothing was changed. Stop it, and restore a backup.',
  'server.store-away': 'The database can’t be reached at this moment. Nothing was changed; try again in a minute.',
  'server.unexpected': 'Something went wrong on the server. It has been written to the log.',
} as const satisfies Record<string, string>;

export type ErrorCode = keyof typeof ERROR_CATALOGUE;

/** One refusal: a code from the catalogue, its filled-in sentence, and where it is. */
export interface Issue {
  readonly code: ErrorCode;
  readonly message: string;
  /** What stands in its sentence, so that it can be said in another language; long quotes are cut. */
  readonly params?: Readonly<Record<string, string>>;
  /** Key of the field, or name of the request property, that is wrong. */
  readonly field?: string;
  /** Line in a file, counted from 1. */
  readonly line?: number;
}

export type IssueParams = Readonly<Record<string, string | number>>;

/** Makes an issue from the catalogue; a parameter that the sentence doesn't name is ignored. */
export function issue(code: ErrorCode, params: IssueParams = {}, where: { field?: string; line?: number } = {}): Issue {
  const filled = Object.fromEntries(Object.entries(params).map(([name, value]) => [name, abridge(String(value))]));
  const message = ERROR_CATALOGUE[code].replace(/\{(\w+)\}/g, (_, name: string) => filled[name] ?? '');
  return { code, message, params: filled, ...where };
}

/** Whether the place of an issue is a field, or lies inside it: "tariff.2.price" in "tariff". */
export function isAbout(place: string, field: string): boolean {
  return place === field || place.startsWith(`${field}.`);
}

const LONGEST_QUOTE = 120;

function abridge(text: string): string {
  return text.length > LONGEST_QUOTE ? `${text.slice(0, LONGEST_QUOTE)}…` : text;
}
