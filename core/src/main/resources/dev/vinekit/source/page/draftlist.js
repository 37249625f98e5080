// The edits that are not sent yet, to be resumed or thrown away.

import { html } from "./lib/lit-html.js";
import { discard, drafts } from "./drafts.js";

export class DraftsView {
  title = "Drafts";

  constructor(service, place, draw) {
    Object.assign(this, { service, redraw: draw });
  }

  draw() {
    const waiting = drafts(this.service.title);
    return html`
      <h1>Drafts</h1>
      <p class="soft">
        Edits that were begun and not sent. They are in this browser only, and nothing sends them by itself.
      </p>
      ${
        waiting.length === 0
          ? html`
              <p>None.</p>
            `
          : html`
              <div class="wide" tabindex="0" role="region" aria-label="Drafts">
                <table>
                  <thead>
                    <tr>
                      <th>what</th>
                      <th>last touched</th>
                      <th>typed</th>
                      <th><span class="unseen">throw away</span></th>
                    </tr>
                  </thead>
                  <tbody>
                    ${waiting.map(
                      draft => html`
                        <tr>
                          <td><a href=${draft.place}>${draft.title}</a></td>
                          <td>${new Date(draft.at).toLocaleString()}</td>
                          <td class="value">${Object.keys(draft.content.texts).join(", ")}</td>
                          <td>
                            <button
                              type="button"
                              aria-label=${`Throw away ${draft.title}`}
                              @click=${() => this.discard(draft)}
                            >
                              Throw away
                            </button>
                          </td>
                        </tr>
                      `,
                    )}
                  </tbody>
                </table>
              </div>
            `
      }
    `;
  }

  async discard(draft) {
    await discard(draft.id);
    this.redraw();
  }
}
