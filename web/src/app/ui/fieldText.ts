/** What stands in a field of a form, without the spaces round it; nothing where there is no such field. */
export function fieldText(form: HTMLFormElement, field: string): string {
  const value = new FormData(form).get(field);
  return typeof value === 'string' ? value.trim() : '';
}
