// What the page shows stands in its address, so that it can be bookmarked and sent.
//
//   #/                                   the collections
//   #/rows/vessels?code[contains]=B      rows; the query is that of the API, and `columns` those that are shown
//   #/rows/parcels/3/harvests            the rows that belong to another
//   #/row/vessels/7                      a row
//   #/edit/vessels/7, #/new/vessels      its form
//   #/requests?id=createVessel           a request
//   #/drafts, #/access

/** The place that the address names: what sort, the segments that follow, and the query. Only keys are encoded. */
export function here() {
  const [path, query] = split(location.hash.slice(1), "?");
  const [kind, name, key, child] = path.split("/").slice(1);
  const segments = [plain(name ?? ""), key, child && plain(child)];
  return {
    kind: kind || "collections",
    segments: segments.slice(0, [name, key, child].filter(part => part).length),
    query: new URLSearchParams(query),
  };
}

/** A segment of a path as people read it. */
export function plain(segment) {
  try {
    return decodeURIComponent(segment);
  } catch {
    return segment;
  }
}

/** The address of a place; a key is encoded as it is to stand in a path. */
export function address(kind, segments = [], query = new URLSearchParams()) {
  const text = query.toString();
  return `#/${[kind, ...segments].join("/")}${text ? `?${text}` : ""}`;
}

/** Goes to a place. */
export function go(place, { instead = false } = {}) {
  if (instead) {
    history.replaceState(null, "", place);
    dispatchEvent(new HashChangeEvent("hashchange"));
  } else {
    location.hash = place;
  }
}

function split(text, by) {
  const at = text.indexOf(by);
  return at < 0 ? [text, ""] : [text.slice(0, at), text.slice(at + 1)];
}
