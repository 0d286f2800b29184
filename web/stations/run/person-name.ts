/** What somebody of the crew is called: hands without a name by their number. */
export const personName = (id: string): string => (/^\d+$/.test(id) ? `Person ${id}` : id);
