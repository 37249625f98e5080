// The form of a row, a new one or one that there is. Each letter is kept as a draft until the service has the row.

import { html } from "./lib/lit-html.js";
import { address, go, plain } from "./address.js";
import { named, parse, send, stringify } from "./api.js";
import { fieldsOf, keyOf } from "./description.js";
import { Draft } from "./drafts.js";
import { input } from "./inputs.js";
import { messages, problem } from "./problem.js";
import { shown, textOf, valueOf } from "./values.js";

export class FormView {
  constructor(service, place, draw) {
    const [name, key] = place.segments;
    const collection = service.collections.find(each => each.name === name);
    Object.assign(this, { service, place, redraw: draw, collection, key });
    this.isNew = place.kind === "new";
    this.title = this.isNew ? `New row of ${name}` : `Edit ${name} ${plain(key ?? "")}`;
    this.draft = new Draft(service, place, this.title);
    this.texts = named();
    this.unfinished = named();
    this.mistakes = named();
  }

  get fields() {
    const key = fieldsOf(this.collection.links.self);
    return this.collection.fields.filter(field =>
      this.isNew ? field.creatable : field.changeable && !key.includes(field.name),
    );
  }

  async load() {
    if (this.collection) {
      await this.begin();
    }
    this.isReady = true;
  }

  /** Finds out what the fields are to hold; until then there are none, lest somebody types into the void. */
  async begin() {
    const before = await this.draft.content();
    const like = before ? undefined : this.place.query.get("like");
    if (!this.isNew || like) {
      const answer = await send("GET", this.collection.read.url.replace("{key}", like ?? this.key));
      if (answer.status !== 200) {
        this.unread = answer;
        return;
      }
      this.row = answer.value;
      this.tag = answer.headers.get("ETag");
    }
    if (like) {
      this.fields
        .filter(field => !this.isOfKey(field))
        .forEach(field => {
          this.texts[field.name] = textOf(field, this.row[field.name]);
        });
    }
    if (before) {
      Object.assign(this, { texts: named(before.texts), tag: before.tag, begun: before.row && parse(before.row) });
    }
  }

  leave() {
    this.draft.leave();
  }

  isOfKey(field) {
    return fieldsOf(this.collection.links.self).includes(field.name) && !this.collection.references[field.name];
  }

  /** What the field holds now: what was typed, or what is stored. */
  text(field) {
    return field.name in this.texts ? this.texts[field.name] : this.isNew ? "" : textOf(field, this.row?.[field.name]);
  }

  /**
   * Takes what was typed into a field.
   *
   * @param unfinished whether the browser has only a part of a day or time yet, which it does not tell
   */
  type(field, text, unfinished) {
    this.texts[field.name] = text;
    this.unfinished[field.name] = unfinished;
    delete this.mistakes[field.name];
    this.keep();
    this.redraw();
  }

  /** Keeps what was typed, with the row and the tag that the edit began with. */
  keep() {
    const row = this.begun ?? this.row;
    this.draft
      .keep({ texts: this.texts, tag: this.tag, row: row && stringify(row) })
      .catch(failure => {
        this.unkept = failure.message;
      })
      .then(this.redraw);
  }

  draw() {
    if (!this.collection) {
      return html`
        <h1>Nothing is here</h1>
        <p class="problem" role="alert">
          There is no such collection.
          <a href="#/">All collections</a>
        </p>
      `;
    } else if (this.unread) {
      return html`
        <h1>${this.title}</h1>
        ${problem(this.unread)}
      `;
    }
    if (!this.isReady) {
      return html`
        <h1>${this.title}</h1>
        <p class="soft">Reading ...</p>
      `;
    }
    const told = messages(this.answer);
    const filled = this.collection.fields.filter(field => !field.creatable && !field.changeable);
    const named = new Set(this.fields.map(field => field.name));
    return html`
      <h1>${this.title}</h1>
      ${
        this.draft.id
          ? html`
              <p class="note" role="status">
                ${this.draft.resumed ? `Begun earlier, last touched ${new Date(this.draft.resumed.at).toLocaleString()}. ` : ""}
                ${this.draft.isKept ? "Kept in this browser, not sent." : "Keeping ..."}
                <button type="button" @click=${() => this.forget()}>Throw it away</button>
              </p>
            `
          : ""
      }
      ${this.draft.others().map(
        other => html`
          <p class="note">
            There are other unsent edits of it:
            <a href=${other.place}>those of ${new Date(other.at).toLocaleString()}</a>
          </p>
        `,
      )}
      ${
        this.unkept
          ? html`
              <p class="problem" role="alert">
                This browser cannot keep the draft, it is lost when the page is left: ${this.unkept}
              </p>
            `
          : ""
      }
      ${
        this.conflict
          ? this.bothStates()
          : this.answer
            ? problem({
                ...this.answer,
                value: {
                  ...this.answer.value,
                  violations: (this.answer.value?.violations ?? []).filter(each => !named.has(each.field)),
                },
              })
            : ""
      }
      <form
        novalidate
        @submit=${event => {
          event.preventDefault();
          this.save();
        }}
      >
        ${
          this.collection.rules
            ? html`
                <p class="soft">${this.collection.rules}</p>
              `
            : ""
        }
        ${this.fields.map(field => input(this, field, [...(told[field.name] ?? []), ...(this.mistakes[field.name] ?? [])]))}
        ${
          filled.length === 0
            ? ""
            : html`
                <p class="soft">Filled by the database: ${filled.map(field => field.name).join(", ")}.</p>
              `
        }
        <p class="actions">
          <button class="main" ?disabled=${this.sending}>${this.isNew ? "Create" : "Save"}</button>
          <a href=${this.isNew ? address("rows", [this.collection.name]) : address("row", this.place.segments)}>
            Back, keep the draft
          </a>
        </p>
      </form>
    `;
  }

  /** Throws the draft away, and shows what is stored. */
  async forget() {
    await this.draft.discard();
    go(this.draft.place(), { instead: true });
  }

  /** The fields that are to be sent; nothing if one of them has no value that could be. */
  body() {
    const body = named();
    this.mistakes = named();
    for (const field of this.fields.filter(each => each.name in this.texts)) {
      try {
        const before = this.isNew ? undefined : (this.begun ?? this.row)[field.name];
        const value = this.value(field, before);
        if (this.isNew ? value !== null || field.required : stringify(value) !== stringify(before)) {
          body[field.name] = value;
        }
      } catch (failure) {
        this.mistakes[field.name] = [failure.message];
      }
    }
    return Object.keys(this.mistakes).length === 0 ? body : undefined;
  }

  value(field, before) {
    if (this.unfinished[field.name]) {
      throw new Error("This is only a part.");
    }
    return valueOf(field, this.texts[field.name], before);
  }

  async save() {
    const body = this.body();
    if (body) {
      this.sending = true;
      this.redraw();
      const url = this.isNew ? this.collection.create.url : this.collection.change.url.replace("{key}", this.key);
      this.answer = await send(this.isNew ? "POST" : "PATCH", url, {
        headers: {
          "Content-Type": this.isNew ? "application/json" : this.collection.change.mediaType,
          ...(this.tag && !this.isNew ? { "If-Match": this.tag } : {}),
        },
        body: stringify(body),
      });
      this.sending = false;
      await this.answered();
    }
    this.redraw();
    document.querySelector("[aria-invalid=true]")?.focus();
  }

  async answered() {
    if (this.answer.status === 200 || this.answer.status === 201) {
      await this.draft.discard();
      const key = keyOf(this.collection, this.answer.value);
      go(key === undefined ? address("rows", [this.collection.name]) : address("row", [this.collection.name, key]));
    } else if (this.answer.status === 412) {
      const now = await send("GET", this.collection.read.url.replace("{key}", this.key));
      this.conflict = now.status === 200 ? { row: now.value, tag: now.headers.get("ETag") } : undefined;
    }
  }

  /** The row as it is now beside what was typed; the person chooses. */
  bothStates() {
    const differing = this.fields.filter(
      field => field.name in this.texts && this.texts[field.name] !== textOf(field, this.conflict.row[field.name]),
    );
    const others = this.collection.fields.filter(
      field => stringify(this.conflict.row[field.name]) !== stringify((this.begun ?? this.row)?.[field.name]),
    );
    return html`
      <section class="problem" role="alert" aria-label="Changed meanwhile">
        <p><b>412 Somebody has changed this row meanwhile.</b></p>
        <table>
          <thead>
            <tr>
              <th>field</th>
              <th>when you began</th>
              <th>now</th>
              <th>yours</th>
            </tr>
          </thead>
          <tbody>
            ${[...new Set([...differing, ...others])].map(
              field => html`
                <tr>
                  <td>${field.name}</td>
                  <td class="value">${shown((this.begun ?? this.row)?.[field.name])}</td>
                  <td class="value">${shown(this.conflict.row[field.name])}</td>
                  <td class="value">${this.texts[field.name] ?? ""}</td>
                </tr>
              `,
            )}
          </tbody>
        </table>
        <p class="actions">
          <button type="button" @click=${() => this.take()}>Put mine on top of it</button>
          <button type="button" @click=${() => this.forget()}>Take the row as it is now</button>
        </p>
      </section>
    `;
  }

  take() {
    Object.assign(this, {
      row: this.conflict.row,
      begun: undefined,
      tag: this.conflict.tag,
      conflict: undefined,
      answer: undefined,
    });
    this.keep();
    return this.save();
  }
}
