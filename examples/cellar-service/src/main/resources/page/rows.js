// The rows of a collection: filtered, sorted, page by page, as the address says.

import { html } from "./lib/lit-html.js";
import { address, go, plain } from "./address.js";
import { send } from "./api.js";
import { keyOf } from "./description.js";
import { problem } from "./problem.js";
import { cell } from "./cells.js";

const OWN = ["columns"];
const NO_FILTERS = ["columns", "after", "sort", "limit", "count", "fields", "include"];

export class RowsView {
  constructor(service, place, draw) {
    const [name, key, child] = place.segments;
    const parent = service.collections.find(each => each.name === name);
    const below = child && parent?.children.find(each => each.name === child);
    Object.assign(this, { service, place, redraw: draw, parent, key, collection: below ? below.target : parent });
    this.list = below ? below.list : parent?.list;
    this.title = child ?? name;
    this.chosen = { field: Object.keys(this.collection?.filters ?? {})[0] };
  }

  async load() {
    if (this.list) {
      const query = new URLSearchParams(this.place.query);
      OWN.forEach(name => query.delete(name));
      query.set("count", "true");
      this.answer = await send("GET", `${this.list.url.replace("{key}", this.key)}?${query}`);
      this.redraw();
    }
  }

  /** Shows the same rows with another query, from their beginning. */
  change(edit, { from } = {}) {
    const query = new URLSearchParams(this.place.query);
    query.delete("after");
    edit(query);
    if (from) {
      sessionStorage.setItem(`before:${from}`, this.place.query.get("after") ?? "");
    }
    go(address("rows", this.place.segments, query));
  }

  draw() {
    if (!this.collection) {
      return html`
        <h1>Nothing is here</h1>
        <p class="problem" role="alert">
          There is no collection ${this.title}.
          <a href="#/">All collections</a>
        </p>
      `;
    }
    const total = this.answer?.headers.get("Total-Count");
    return html`
      <h1>
        ${
          this.key
            ? html`
                ${this.title} of
                <a href=${address("row", [this.parent.name, this.key])}>${this.parent.name} ${plain(this.key)}</a>
              `
            : this.title
        }
      </h1>
      <p>
        ${this.collection.comment}
        ${
          total
            ? html`
                <span class="soft" role="status">${total} ${total === "1" ? "row" : "rows"}.</span>
              `
            : ""
        }
      </p>
      <p class="actions">
        ${
          this.collection.create
            ? html`
                <a class="button" href=${address("new", [this.collection.name])}>New row</a>
              `
            : ""
        }
        <button type="button" @click=${() => this.load()}>Read again</button>
        <a href=${address("requests", [], new URLSearchParams({ id: this.list.id }))}>As a request</a>
      </p>
      ${this.filterBar()} ${this.answer && this.answer.status !== 200 ? problem(this.answer) : this.table()}
    `;
  }

  filterBar() {
    const { filters } = this.collection;
    const { field } = this.chosen;
    const set = [...this.place.query].filter(([name]) => !NO_FILTERS.includes(name) || name in filters);
    if (Object.keys(filters).length === 0) {
      return "";
    }
    const comparison =
      this.chosen.comparison in filters[field] ? this.chosen.comparison : Object.keys(filters[field])[0];
    const told = filters[field][comparison];
    return html`
      <form class="filters" aria-label="Filter" @submit=${event => this.filter(event, field, comparison)}>
        <label>
          Where
          <select
            aria-label="Where"
            @change=${event => {
              this.chosen = { field: event.target.value };
              this.redraw();
            }}
          >
            ${Object.keys(filters).map(
              name => html`
                <option value=${name} ?selected=${name === field}>${name}</option>
              `,
            )}
          </select>
        </label>
        <label>
          compares
          <select
            aria-label="comparison"
            @change=${event => {
              this.chosen = { field, comparison: event.target.value };
              this.redraw();
            }}
          >
            ${Object.keys(filters[field]).map(
              name => html`
                <option value=${name} ?selected=${name === comparison}>${name}</option>
              `,
            )}
          </select>
        </label>
        <label>
          to
          ${
            told.type === "boolean"
              ? html`
                  <select name="value">
                    <option>true</option>
                    <option>false</option>
                  </select>
                `
              : html`
                  <input name="value" required placeholder=${told.examples?.[0] ?? ""} />
                `
          }
        </label>
        <button>Filter</button>
        <span class="soft">${told.description}</span>
      </form>
      ${
        set.length === 0
          ? ""
          : html`
              <p class="marks">
                ${set.map(
                  ([name, value]) => html`
                    <button
                      type="button"
                      class="mark"
                      aria-label=${`Remove the filter ${name} ${value}`}
                      @click=${() => this.change(query => query.delete(name))}
                    >
                      ${name.replace(/\[(.*)\]$/, " $1")}
                      <b>${value}</b>
                      &times;
                    </button>
                  `,
                )}
              </p>
            `
      }
    `;
  }

  filter(event, field, comparison) {
    event.preventDefault();
    const { value } = event.target.elements;
    this.change(query => query.set(`${field}[${comparison}]`, value.value));
  }

  table() {
    if (!this.answer) {
      return html`
        <p class="soft">Reading ...</p>
      `;
    }
    const columns = this.columns();
    const fields = this.collection.fields.filter(field => columns.includes(field.name));
    return html`
      ${this.columnChoice(columns)}
      <div class="wide" tabindex="0" role="region" aria-label="Rows">
        <table>
          <thead>
            <tr>
              <th><span class="unseen">row</span></th>
              ${fields.map(field => this.head(field))}
            </tr>
          </thead>
          <tbody>${this.answer.value.map(row => this.row(fields, row))}</tbody>
        </table>
      </div>
      ${
        this.answer.value.length === 0
          ? html`
              <p class="soft">No rows.</p>
            `
          : ""
      }
      ${this.pages()}
    `;
  }

  columns() {
    const chosen = this.place.query.get("columns");
    return chosen === null ? this.collection.fields.map(field => field.name) : chosen.split(",");
  }

  columnChoice(columns) {
    const toggle = (name, shown) =>
      this.change(query =>
        query.set(
          "columns",
          this.collection.fields
            .map(field => field.name)
            .filter(each => (each === name ? shown : columns.includes(each)))
            .join(","),
        ),
      );
    return html`
      <details class="columns">
        <summary>Columns</summary>
        ${this.collection.fields.map(
          ({ name }) => html`
            <label>
              <input
                type="checkbox"
                .checked=${columns.includes(name)}
                @change=${event => toggle(name, event.target.checked)}
              />
              ${name}
            </label>
          `,
        )}
      </details>
    `;
  }

  head(field) {
    const sort = this.place.query.get("sort") ?? "";
    const order = sort === field.name ? "ascending" : sort === `-${field.name}` ? "descending" : "none";
    const next = { none: field.name, ascending: `-${field.name}`, descending: undefined }[order];
    const number = field.type === "integer" || field.type === "number" ? "number" : "";
    if (!this.collection.sortable.includes(field.name)) {
      return html`
        <th class=${number}>${field.name}</th>
      `;
    }
    return html`
      <th class=${number} aria-sort=${order}>
        <button
          type="button"
          class="sort"
          @click=${() => this.change(query => (next ? query.set("sort", next) : query.delete("sort")))}
        >
          ${field.name}
          <span aria-hidden="true">${{ none: "", ascending: " \u2191", descending: " \u2193" }[order]}</span>
        </button>
      </th>
    `;
  }

  row(fields, row) {
    const key = keyOf(this.collection, row);
    return html`
      <tr>
        <td>
          ${
            key === undefined
              ? ""
              : html`
                  <a href=${address("row", [this.collection.name, key])} aria-label=${`Open ${plain(key)}`}>Open</a>
                `
          }
        </td>
        ${fields.map(field => cell(this.collection, field, row))}
      </tr>
    `;
  }

  pages() {
    const next = /<[^>]*[?&]after=([^&>]*)[^>]*>; *rel="?next/.exec(this.answer.headers.get("Link") ?? "")?.[1];
    const after = this.place.query.get("after");
    const before = after && sessionStorage.getItem(`before:${after}`);
    const to = cursor => this.change(query => cursor && query.set("after", cursor));
    return html`
      <p class="actions">
        ${
          after
            ? html`
                <button type="button" @click=${() => to(before)}>
                  ${before === null ? "First page" : "Previous page"}
                </button>
              `
            : ""
        }
        ${
          next
            ? html`
                <button
                  type="button"
                  @click=${() =>
                    this.change(query => query.set("after", decodeURIComponent(next)), {
                      from: decodeURIComponent(next),
                    })}
                >
                  Next page
                </button>
              `
            : ""
        }
      </p>
    `;
  }
}
