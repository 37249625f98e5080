// The frame of the page: reads what the service says of itself, and shows what the address names.

import { html, render } from "./lib/lit-html.js";
import { here } from "./address.js";
import { roles, send } from "./api.js";
import { describe, mayDo } from "./description.js";
import { drafts, readDrafts } from "./drafts.js";
import { AccessView } from "./access.js";
import { CollectionsView } from "./collections.js";
import { DraftsView } from "./draftlist.js";
import { FormView } from "./form.js";
import { RequestsView } from "./requests.js";
import { RowView } from "./row.js";
import { RowsView } from "./rows.js";

const VIEWS = {
  collections: CollectionsView,
  rows: RowsView,
  row: RowView,
  edit: FormView,
  new: FormView,
  requests: RequestsView,
  drafts: DraftsView,
  access: AccessView,
};

const page = { service: undefined, failure: undefined, view: undefined, busy: false };

/** Draws all that has changed. */
function draw() {
  render(frame(), document.body);
}

function frame() {
  const { service, failure, view } = page;
  const waiting = service ? drafts(service.title).length : 0;
  const kind = here().kind;
  const link = (name, words) => html`
    <a href=${`#/${name}`} aria-current=${kind === name ? "page" : "false"}>${words}</a>
  `;
  return html`
    <header>
      <a class="title" href="#/">${service?.title ?? "Service"}</a>
      <nav aria-label="Page">
        ${link("collections", "Collections")} ${link("requests", "Requests")}
        ${link("drafts", waiting === 0 ? "Drafts" : `Drafts (${waiting})`)} ${link("access", "Access")}
      </nav>
    </header>
    <main tabindex="-1" aria-busy=${page.busy}>
      ${
        failure
          ? html`
              <p class="problem" role="alert">${failure}</p>
            `
          : (view?.draw() ??
            html`
              <p class="soft">Reading ...</p>
            `)
      }
    </main>
  `;
}

async function open() {
  Object.assign(page, { failure: undefined, busy: true });
  draw();
  if (!page.service) {
    await read();
  }
  if (page.service) {
    page.view?.leave?.();
    await readDrafts();
    const place = here();
    const View = VIEWS[place.kind] ?? CollectionsView;
    page.view = new View(page.service, place, draw, () => {
      page.service = undefined;
    });
    document.title = `${page.view.title} - ${page.service.title}`;
    draw();
    await page.view.load?.();
  }
  page.busy = false;
  draw();
}

async function read() {
  const link = (await send("HEAD", ".")).headers.get("Link") ?? "";
  const answer = await send("GET", /<([^>]*)>; rel="service-desc"/.exec(link)?.[1] ?? "api/openapi.json");
  if (answer.status === 200) {
    page.service = offered(describe(answer.value));
  } else if (answer.status === 401 || answer.status === 403) {
    page.service = { title: "Service", base: "", operations: [], collections: [] };
    location.hash = "#/access";
  } else {
    page.failure =
      answer.status === 0
        ? "The service does not answer."
        : `The service answered ${answer.status} ${answer.reason} when it was asked for its description.`;
  }
}

/** The service without what the token in use does not allow. */
function offered(service) {
  const may = operation => mayDo(operation, roles());
  for (const collection of service.collections) {
    for (const name of ["create", "read", "replace", "change", "remove"]) {
      collection[name] = may(collection[name]) ? collection[name] : undefined;
    }
    collection.children = collection.children.filter(child => may(child.list));
  }
  service.collections = service.collections.filter(collection => may(collection.list));
  service.operations = service.operations.filter(may);
  return service;
}

addEventListener("hashchange", open);
open();
