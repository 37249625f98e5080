// Every request that the service takes: fill in, send, see what comes back.

import { html } from "./lib/lit-html.js";
import { live } from "./lib/directives/live.js";
import { address, plain } from "./address.js";
import { asked, curl, named, parse, send, stringify } from "./api.js";
import { Draft } from "./drafts.js";
import { lastRow } from "./lastrow.js";
import { rulesOf } from "./values.js";

export class RequestsView {
  title = "Requests";

  constructor(service, place, draw) {
    const operation = service.operations.find(each => each.id === place.query.get("id"));
    Object.assign(this, { service, place, redraw: draw, operation, words: "", values: named() });
    if (operation) {
      this.title = `${operation.method} ${operation.path}`;
      this.body = operation.example === undefined ? "" : stringify(operation.example, 2);
      this.values.key = place.query.has("key") ? plain(place.query.get("key")) : undefined;
      this.draft = new Draft(service, place, this.title);
    }
  }

  async load() {
    const before = await this.draft?.content();
    if (before) {
      this.values = named(before.texts);
      this.body = before.body;
    }
    this.isReady = true;
  }

  leave() {
    this.draft?.leave();
  }

  /** Takes what was typed, and keeps it. */
  type(change) {
    change();
    this.draft
      .keep({ texts: this.values, body: this.body })
      .catch(failure => {
        this.unkept = failure.message;
      })
      .then(this.redraw);
    this.redraw();
  }

  draw() {
    return html`
      <h1>Requests</h1>
      <div class="two">
        <div>${this.list()}</div>
        <div>
          ${
            !this.operation
              ? html`
                  <p class="soft">Choose a request.</p>
                `
              : this.isReady
                ? this.form()
                : ""
          }
          ${this.past()}
        </div>
      </div>
    `;
  }

  list() {
    const words = this.words.toLowerCase();
    const found = this.service.operations.filter(each =>
      `${each.method} ${each.path} ${each.summary}`.toLowerCase().includes(words),
    );
    return html`
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
      </p>
      <ul class="operations" tabindex="0" aria-label="Requests">
        ${found.map(
          each => html`
            <li>
              <a
                aria-current=${each === this.operation ? "page" : "false"}
                href=${address("requests", [], new URLSearchParams({ id: each.id }))}
              >
                <span class="method">${each.method}</span>
                ${each.path}
              </a>
            </li>
          `,
        )}
      </ul>
    `;
  }

  form() {
    const { operation } = this;
    const collection = this.service.collections.find(each => operation.path.startsWith(each.list.path));
    const last = operation.bodySchema && lastRow.as(collection, operation.bodySchema);
    return html`
      <h2>
        <span class="method">${operation.method}</span>
        ${operation.path}
      </h2>
      <p>${operation.summary}. ${operation.bodySchema?.description ?? ""}</p>
      <form
        @submit=${event => {
          event.preventDefault();
          this.send();
        }}
      >
        ${operation.parameters.filter(parameter => parameter.style !== "deepObject").map(parameter => this.parameter(parameter.name, parameter))}
        ${operation.parameters
          .filter(parameter => parameter.style === "deepObject")
          .map(
            parameter => html`
              <details>
                <summary>${parameter.name} compared</summary>
                ${Object.entries(parameter.schema.properties).map(([comparison, schema]) =>
                  this.parameter(`${parameter.name}[${comparison}]`, {
                    schema,
                    in: "query",
                    description: schema.description,
                  }),
                )}
              </details>
            `,
          )}
        ${
          operation.bodySchema
            ? html`
                <div class="field">
                  <label for="body">body</label>
                  <div>
                    <textarea
                      id="body"
                      rows="9"
                      spellcheck="false"
                      .value=${live(this.body)}
                      @input=${event =>
                        this.type(() => {
                          this.body = event.target.value;
                        })}
                    ></textarea>
                    ${
                      last
                        ? html`
                            <button
                              type="button"
                              @click=${() =>
                                this.type(() => {
                                  this.body = stringify(last, 2);
                                })}
                            >
                              Use the row that was read last
                            </button>
                          `
                        : ""
                    }
                    <p class="soft">${operation.mediaType}</p>
                    ${this.rules()}
                  </div>
                </div>
              `
            : ""
        }
        ${
          this.unkept
            ? html`
                <p class="problem" role="alert">This browser cannot keep the draft: ${this.unkept}</p>
              `
            : ""
        }
        <p class="actions"><button class="main">Send</button></p>
      </form>
      ${this.exchange ? this.outcome(this.exchange) : ""}
      <details open>
        <summary>As a curl line</summary>
        <pre>${curl(this.request())}</pre>
      </details>
    `;
  }

  /** What the body may have, in words. */
  rules() {
    const fields = this.operation.bodyFields;
    return html`
      <details>
        <summary>What a body may have</summary>
        <div class="wide" tabindex="0" role="region" aria-label="What a body may have">
          <table>
            <thead>
              <tr>
                <th>field</th>
                <th>type</th>
                <th>rules</th>
                <th>about</th>
              </tr>
            </thead>
            <tbody>
              ${fields.map(
                field => html`
                  <tr>
                    <td>${field.name}${field.required ? " *" : ""}</td>
                    <td>${[field.type, field.format].filter(part => part).join(", ")}</td>
                    <td>
                      ${[rulesOf(field), field.nullable ? "or null" : "", field.values.length > 0 ? `one of ${field.values.join(", ")}` : ""].filter(part => part).join(", ")}
                    </td>
                    <td>${field.onCreate}</td>
                  </tr>
                `,
              )}
            </tbody>
          </table>
        </div>
      </details>
    `;
  }

  parameter(name, parameter) {
    const id = `parameter-${name}`;
    return html`
      <div class="field">
        <label for=${id}>${name}${parameter.required ? " *" : ""}</label>
        <div>
          <input
            id=${id}
            autocomplete="off"
            .value=${live(this.values[name] ?? "")}
            placeholder=${parameter.schema.examples?.[0] ?? parameter.schema.default ?? ""}
            @input=${event =>
              this.type(() => {
                this.values[name] = event.target.value;
              })}
          />
          <p class="soft">
            ${[parameter.in === "query" ? "" : parameter.in, parameter.description ?? "", (parameter.schema.items?.enum ?? []).join(", ")].filter(part => part).join("; ")}
          </p>
        </div>
      </div>
    `;
  }

  request() {
    const { operation } = this;
    const query = new URLSearchParams();
    const headers = {};
    let { url } = operation;
    for (const [name, value] of Object.entries(this.values).filter(([, each]) => each)) {
      const parameter = operation.parameters.find(each => each.name === name);
      if (parameter?.in === "path") {
        url = url.replace(`{${name}}`, value.split(",").map(encodeURIComponent).join(","));
      } else if (parameter?.in === "header") {
        headers[name] = value;
      } else {
        query.set(name, value);
      }
    }
    if (operation.bodySchema) {
      headers["Content-Type"] = operation.mediaType;
    }
    return {
      method: operation.method,
      url: query.toString() ? `${url}?${query}` : url,
      headers,
      body: operation.bodySchema ? this.body : undefined,
    };
  }

  async send(request = this.request()) {
    this.exchange = {
      ...request,
      answer: await send(request.method, request.url, { ...request, remembered: true }),
    };
    if (this.exchange.answer.status >= 200 && this.exchange.answer.status < 300) {
      await this.draft?.discard();
    }
    this.redraw();
  }

  outcome({ method, url, answer }) {
    const text = answer.value === undefined ? answer.text : stringify(parse(answer.text), 2);
    return html`
      <section aria-label="Answer" role="status">
        <h2 class=${answer.status >= 400 || answer.status === 0 ? "wrong" : ""}>
          ${answer.status} ${answer.reason}
          <span class="soft">${answer.millis} ms, ${method} ${url}</span>
        </h2>
        <details>
          <summary>Headers</summary>
          <pre>${[...answer.headers].map(([name, value]) => `${name}: ${value}`).join("\n")}</pre>
        </details>
        <pre tabindex="0">${text}</pre>
      </section>
    `;
  }

  past() {
    return asked.length === 0
      ? ""
      : html`
          <details>
            <summary>The last ${asked.length} requests of this tab</summary>
            <div class="wide" tabindex="0" role="region" aria-label="The last requests">
              <table>
                <tbody>
                  ${asked.map(
                    each => html`
                      <tr>
                        <td>${new Date(each.at).toLocaleTimeString()}</td>
                        <td>${each.status || "no answer"}</td>
                        <td class="number">${each.millis} ms</td>
                        <td class="value">${each.method} ${each.url}</td>
                        <td>
                          <button type="button" @click=${() => this.send(each)}>Send again</button>
                        </td>
                      </tr>
                    `,
                  )}
                </tbody>
              </table>
            </div>
          </details>
        `;
  }
}
