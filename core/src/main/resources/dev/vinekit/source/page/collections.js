// The collections: what each is, what can be done with it, and how many rows it has.

import { html } from "./lib/lit-html.js";
import { address } from "./address.js";
import { named, send } from "./api.js";

const AT_A_TIME = 4;
const FEW = 12;
const OPERATIONS = ["create", "read", "replace", "change", "remove"];

export class CollectionsView {
  title = "Collections";

  constructor(service, place, draw) {
    Object.assign(this, { service, redraw: draw, words: "", counts: named() });
  }

  /** Counts the rows, some collections at a time, as long as somebody looks. */
  async load() {
    const waiting = [...this.service.collections];
    await Promise.all(
      Array.from({ length: AT_A_TIME }, async () => {
        for (let each = waiting.shift(); each && !this.left; each = waiting.shift()) {
          await this.count(each);
        }
      }),
    );
  }

  async count(collection) {
    const answer = await send("GET", `${collection.list.url}?limit=1&count=true`);
    this.counts[collection.name] =
      answer.status === 200 ? answer.headers.get("Total-Count") : String(answer.status || "");
    this.redraw();
  }

  leave() {
    this.left = true;
  }

  draw() {
    const { collections } = this.service;
    const words = this.words.toLowerCase();
    const found = collections.filter(each => `${each.name} ${each.comment}`.toLowerCase().includes(words));
    return html`
      <h1>Collections</h1>
      ${
        collections.length <= FEW
          ? ""
          : html`
              <p>
                <label>
                  Search
                  <input
                    type="search"
                    @input=${event => {
                      this.words = event.target.value;
                      this.redraw();
                    }}
                  />
                </label>
                <span class="soft" role="status">${words ? `${found.length} of ${collections.length}` : ""}</span>
              </p>
            `
      }
      <div class="wide" tabindex="0" role="region" aria-label="Collections">
        <table>
          <thead>
            <tr>
              <th>collection</th>
              <th class="number">rows</th>
              <th>what can be done</th>
              <th>about</th>
            </tr>
          </thead>
          <tbody>
            ${found.map(
              each => html`
                <tr>
                  <td><a href=${address("rows", [each.name])}>${each.name}</a></td>
                  <td class="number">${this.counts[each.name] ?? ""}</td>
                  <td class="soft">
                    list
                    ${OPERATIONS.filter(name => each[name])
                      .map(name => (name === "remove" ? "delete" : name))
                      .join(" ")}
                  </td>
                  <td>${each.comment}</td>
                </tr>
              `,
            )}
          </tbody>
        </table>
      </div>
    `;
  }
}
