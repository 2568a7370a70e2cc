/** Title of a page of the handbook in the browser's tab. */
export const handbookMeta = (title = "No such page") => [{ title: `${title} · Handbook · Tamis` }];
