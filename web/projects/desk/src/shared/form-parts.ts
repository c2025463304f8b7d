/** What stands in the inputs of a form that is sent, by their names; '' for one that isn't there. */
export function partsOf({ target }: Event): (name: string) => string {
  const form = new FormData(target as HTMLFormElement);
  return (name) => String(form.get(name) ?? '');
}
