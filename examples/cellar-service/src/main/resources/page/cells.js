// Values of rows as people read them.

import { html } from "./lib/lit-html.js";
import { keyed } from "./lib/directives/keyed.js";
import { address } from "./address.js";
import { segment } from "./description.js";
import { control, shown } from "./values.js";

const LONGEST = 80;

/** A field of a row as a cell of a table. */
export function cell(collection, field, row) {
  const number = field.type === "integer" || field.type === "number" ? "number" : "";
  return html`
    <td class=${number}>${content(collection, field, row)}</td>
  `;
}

/** A field of a row: what refers leads to the row meant, what is long is cut and shown whole on demand. */
export function content(collection, field, row) {
  const value = row[field.name];
  if (value === null || value === undefined) {
    return html`
      <span class="soft">none</span>
    `;
  }
  const reference = collection.references[field.name];
  const key = reference && segment(collection, reference.fields, row);
  if (key !== undefined) {
    return html`
      <a href=${address("row", [reference.target.name, key])}>${shown(value)}</a>
    `;
  } else if (control(field) === "file") {
    return html`
      <a download=${field.name} href=${`data:application/octet-stream;base64,${value}`}>${bytes(value)} bytes</a>
    `;
  }
  const text = shown(value);
  return text.length <= LONGEST && !text.includes("\n")
    ? html`
        <span class="value">${text}</span>
      `
    : keyed(text, long(text));
}

/** The beginning of a long text; the whole is there as soon as somebody opens it. */
function long(text) {
  const fill = event => {
    event.target.querySelector("pre").textContent = event.target.open ? text : "";
  };
  return html`
    <details @toggle=${fill}>
      <summary class="value">${text.slice(0, LONGEST).split("\n")[0]} ...</summary>
      <pre></pre>
    </details>
  `;
}

function bytes(base64) {
  return Math.floor((base64.replace(/=+$/, "").length * 3) / 4);
}
