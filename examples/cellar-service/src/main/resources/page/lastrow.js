// The row that was read last, which can become the body of a request.

let last;

export const lastRow = {
  set(collection, row) {
    last = { collection: collection.name, row };
  },

  /** Its fields that a body may have; none if it is of another collection. */
  as(collection, schema) {
    const properties = Object.keys(schema?.properties ?? {});
    return last?.collection === collection?.name
      ? Object.fromEntries(Object.entries(last.row).filter(([name]) => properties.includes(name)))
      : undefined;
  },
};
