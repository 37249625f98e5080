// What went wrong, as the service tells it (RFC 9457): the status first.

import { html } from "./lib/lit-html.js";
import { named } from "./api.js";

/** An answer that is no success, for a person. */
export function problem(answer) {
  const told = answer.value ?? {};
  const title = answer.status === 0 ? "The service does not answer" : `${answer.status} ${told.title ?? answer.reason}`;
  return html`
    <div class="problem" role="alert">
      <p>
        <b>${title}</b>
        ${told.detail ?? ""}
      </p>
      ${
        answer.status === 401
          ? html`
              <p>
                A token is needed.
                <a href="#/access">Access</a>
              </p>
            `
          : ""
      }
      ${
        answer.status === 403
          ? html`
              <p>
                The token in use does not allow this.
                <a href="#/access">Access</a>
              </p>
            `
          : ""
      }
      ${
        answer.status === 0
          ? html`
              <p>What you typed is kept here. ${answer.text}</p>
            `
          : ""
      }
      ${
        (told.violations ?? []).length === 0
          ? ""
          : html`
              <ul>
                ${told.violations.map(
                  each => html`
                    <li>
                      ${
                        each.field
                          ? html`
                              <b>${each.field}</b>
                            `
                          : ""
                      }${each.message}
                    </li>
                  `,
                )}
              </ul>
            `
      }
    </div>
  `;
}

/** The messages about each field. */
export function messages(answer) {
  const found = named();
  for (const { field, message } of answer?.value?.violations ?? []) {
    const name = String(field ?? "").replace(/^\[\d+\]\.?/, "");
    found[name] = [...(found[name] ?? []), message];
  }
  return found;
}
