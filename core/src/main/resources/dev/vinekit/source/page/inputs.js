// The elements that fields are edited with: those of the browser.

import { html } from "./lib/lit-html.js";
import { live } from "./lib/directives/live.js";
import { send } from "./api.js";
import { fieldsOf } from "./description.js";
import { control, inputType, rulesOf, shown } from "./values.js";

const MOST_OFFERED = 20;
const MOST_SEARCHED = 3;
const MOST_TOLD = 3;

/** A field of a form with its name, rules and what is wrong with it. */
export function input(form, field, wrong) {
  const id = `field-${field.name}`;
  const about = [form.isNew ? field.onCreate : field.description, rulesOf(field)].filter(part => part).join("; ");
  return html`
    <div class="field">
      <label for=${id}>
        ${field.name}${
          field.required
            ? html`
                <span class="required" title="required">*</span>
              `
            : ""
        }
      </label>
      <div>
        ${element(form, field, id, wrong.length > 0)}
        <p class="soft" id=${`${id}-about`}>${about}</p>
        ${
          wrong.length === 0
            ? ""
            : html`
                <p class="wrong" id=${`${id}-wrong`} role="alert">${wrong.join("; ")}</p>
              `
        }
      </div>
    </div>
  `;
}

function element(form, field, id, isWrong) {
  const text = form.text(field);
  const typed = event => form.type(field, event.target.value, event.target.validity.badInput);
  const described = isWrong ? `${id}-wrong ${id}-about` : `${id}-about`;
  const required = field.required ? "true" : "false";
  switch (text.includes("\n") && control(field) === "text" ? "long" : control(field)) {
    case "choice":
    case "truth": {
      const values = field.values.length > 0 ? field.values.map(String) : ["true", "false"];
      return html`
        <select
          id=${id}
          aria-describedby=${described}
          aria-invalid=${isWrong}
          aria-required=${required}
          .value=${live(text)}
          @change=${typed}
        >
          <option value="" ?selected=${text === ""}></option>
          ${values.map(
            value => html`
              <option value=${value} ?selected=${value === text}>${value}</option>
            `,
          )}
        </select>
      `;
    }
    case "long":
    case "json":
      return html`
        <textarea
          id=${id}
          rows="4"
          aria-describedby=${described}
          aria-invalid=${isWrong}
          aria-required=${required}
          .value=${live(text)}
          @input=${typed}
        ></textarea>
      `;
    case "file":
      return html`
        <input
          id=${id}
          type="file"
          aria-describedby=${described}
          aria-invalid=${isWrong}
          @change=${event => read(form, field, event.target.files[0])}
        />
        <span class="soft">${text === "" ? "none" : `${Math.floor((text.length * 3) / 4)} bytes`}</span>
        ${
          text !== "" && field.nullable
            ? html`
                <button type="button" @click=${() => form.type(field, "")}>None</button>
              `
            : ""
        }
      `;
    default: {
      const reference = form.collection.references[field.name];
      return html`
        <input
          id=${id}
          type=${inputType(field, text)}
          step="any"
          inputmode=${control(field) === "number" ? "decimal" : "text"}
          list=${reference ? `${id}-offers` : ""}
          aria-describedby=${described}
          aria-invalid=${isWrong}
          aria-required=${required}
          autocomplete="off"
          .value=${live(text)}
          @focus=${() => reference && offer(form, field, reference, text)}
          @input=${event => {
            typed(event);
            if (reference) {
              offer(form, field, reference, event.target.value);
            }
          }}
        />
        ${
          reference
            ? html`
                <datalist id=${`${id}-offers`}>
                  ${(form.offers?.[field.name] ?? []).map(
                    each => html`
                      <option value=${each.value}>${each.words}</option>
                    `,
                  )}
                </datalist>
              `
            : ""
        }
      `;
    }
  }
}

function read(form, field, file) {
  const reader = new FileReader();
  reader.onload = () => form.type(field, reader.result.slice(reader.result.indexOf(",") + 1));
  reader.readAsDataURL(file);
}

/** Looks for rows that a reference may mean, by the texts that they can be searched by. */
async function offer(form, field, reference, text) {
  const { target } = reference;
  form.searched = text;
  const texts = Object.entries(target.filters)
    .filter(([, comparisons]) => comparisons.contains)
    .map(([name]) => name)
    .slice(0, MOST_SEARCHED);
  const queries = text === "" || texts.length === 0 ? [{}] : texts.map(name => ({ [`${name}[contains]`]: text }));
  const answers = await Promise.all(
    queries.map(query => send("GET", `${target.list.url}?${new URLSearchParams({ ...query, limit: MOST_OFFERED })}`)),
  );
  if (form.searched !== text) {
    return;
  }
  const rows = new Map(
    answers
      .filter(answer => answer.status === 200)
      .flatMap(answer => answer.value)
      .map(row => [shown(row[keyFieldOf(reference, field)]), row]),
  );
  const told = [...new Set([...texts, ...target.fields.map(each => each.name)])].slice(0, MOST_TOLD);
  form.offers = {
    ...form.offers,
    [field.name]: [...rows].map(([value, row]) => ({
      value,
      words: told
        .map(name => shown(row[name]))
        .filter(word => word)
        .join(", "),
    })),
  };
  form.redraw();
}

/** The field of the row meant whose value a field of the reference has. */
function keyFieldOf(reference, field) {
  return fieldsOf(reference.target.links.self)[reference.fields.indexOf(field.name)];
}
