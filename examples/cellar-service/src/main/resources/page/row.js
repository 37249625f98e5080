// One row: all its fields, what belongs to it, and what can be done with it.

import { html } from "./lib/lit-html.js";
import { address, go, plain } from "./address.js";
import { named, send, stringify } from "./api.js";
import { keyOf } from "./description.js";
import { problem } from "./problem.js";
import { cell, content } from "./cells.js";
import { lastRow } from "./lastrow.js";

const FEW_ROWS = 10;
const FEW_COLUMNS = 6;

export class RowView {
  constructor(service, place, draw) {
    const [name, key] = place.segments;
    Object.assign(this, {
      service,
      redraw: draw,
      key,
      collection: service.collections.find(each => each.name === name),
      below: named(),
    });
    this.title = `${name} ${plain(key ?? "")}`;
  }

  get url() {
    return this.collection.read.url.replace("{key}", this.key);
  }

  async load() {
    if (this.collection?.read) {
      this.answer = await send("GET", this.url);
      if (this.answer.status === 200) {
        lastRow.set(this.collection, this.answer.value);
      }
      this.redraw();
      await Promise.all(this.collection.children.map(child => this.loadChild(child)));
    }
  }

  async loadChild(child) {
    this.below[child.name] = await send(
      "GET",
      `${child.list.url.replace("{key}", this.key)}?limit=${FEW_ROWS}&count=true`,
    );
    this.redraw();
  }

  draw() {
    if (!this.collection?.read) {
      return html`
        <h1>Nothing is here</h1>
        <p class="problem" role="alert">
          There is no such row.
          <a href="#/">All collections</a>
        </p>
      `;
    }
    return html`
      <h1>
        <a href=${address("rows", [this.collection.name])}>${this.collection.name}</a>
        ${plain(this.key)}
      </h1>
      ${
        !this.answer
          ? html`
              <p class="soft">Reading ...</p>
            `
          : this.answer.status !== 200
            ? problem(this.answer)
            : this.whole()
      }
    `;
  }

  whole() {
    const row = this.answer.value;
    const place = [this.collection.name, this.key];
    return html`
      <p class="actions">
        ${
          this.collection.change
            ? html`
                <a class="button" href=${address("edit", place)}>Edit</a>
              `
            : ""
        }
        ${
          this.collection.create
            ? html`
                <a
                  class="button"
                  href=${address("new", [this.collection.name], new URLSearchParams({ like: this.key }))}
                >
                  Copy
                </a>
              `
            : ""
        }
        ${
          this.collection.remove
            ? html`
                <button type="button" class="danger" @click=${() => this.ask()}>Delete</button>
              `
            : ""
        }
        <a href=${address("requests", [], new URLSearchParams({ id: this.collection.read.id, key: this.key }))}>
          As a request
        </a>
      </p>
      ${this.refused ? problem(this.refused) : ""}
      <dl>
        ${this.collection.fields.map(
          field => html`
            <dt title=${field.description}>${field.name}</dt>
            <dd>
              ${content(this.collection, field, row)}
              <span class="soft">${field.description}</span>
            </dd>
          `,
        )}
      </dl>
      <details>
        <summary>As JSON</summary>
        <pre>${stringify(row, 2)}</pre>
      </details>
      ${this.collection.children.map(child => this.child(child))}
      <dialog aria-labelledby="sure">
        <form method="dialog">
          <p id="sure">Delete ${this.collection.name} ${plain(this.key)}? What is gone is gone.</p>
          <p class="actions">
            <button value="no" autofocus>Keep it</button>
            <button value="yes" class="danger" @click=${() => this.remove()}>Delete</button>
          </p>
        </form>
      </dialog>
    `;
  }

  ask() {
    document.querySelector("dialog").showModal();
  }

  async remove() {
    const tag = this.answer.headers.get("ETag");
    const answer = await send("DELETE", this.url, { headers: tag ? { "If-Match": tag } : {} });
    if (answer.status === 204) {
      go(address("rows", [this.collection.name]));
    } else {
      this.refused = answer;
      this.redraw();
    }
  }

  child(child) {
    const answer = this.below[child.name];
    const fields = child.target.fields.slice(0, FEW_COLUMNS);
    const total = answer?.headers.get("Total-Count");
    return html`
      <section aria-label=${child.name}>
        <h2>
          <a href=${address("rows", [this.collection.name, this.key, child.name])}>${child.name}</a>
          <span class="soft">${total ?? ""}</span>
        </h2>
        ${!answer || answer.status === 200 ? "" : problem(answer)}
        ${
          answer?.status !== 200 || answer.value.length === 0
            ? ""
            : html`
                <div class="wide" tabindex="0" role="region" aria-label=${`Rows of ${child.name}`}>
                  <table>
                    <thead>
                      <tr>
                        <th><span class="unseen">row</span></th>
                        ${fields.map(
                          field => html`
                            <th>${field.name}</th>
                          `,
                        )}
                      </tr>
                    </thead>
                    <tbody>
                      ${answer.value.map(
                        row => html`
                          <tr>
                            <td>${this.open(child.target, row)}</td>
                            ${fields.map(field => cell(child.target, field, row))}
                          </tr>
                        `,
                      )}
                    </tbody>
                  </table>
                </div>
              `
        }
      </section>
    `;
  }

  open(collection, row) {
    const key = keyOf(collection, row);
    return key === undefined
      ? ""
      : html`
          <a href=${address("row", [collection.name, key])} aria-label=${`Open ${collection.name} ${plain(key)}`}>
            Open
          </a>
        `;
  }
}
