// The token of this tab.

import { html } from "./lib/lit-html.js";
import { bearer, claims, useBearer } from "./api.js";

export class AccessView {
  title = "Access";

  constructor(service, place, draw, forget) {
    Object.assign(this, { redraw: draw, forget });
  }

  draw() {
    const said = claims(bearer());
    return html`
      <h1>Access</h1>
      <p class="soft">The token is kept for this tab only, and sent with each request.</p>
      <form
        @submit=${event => {
          event.preventDefault();
          this.use(event.target.elements.token.value.trim().replace(/^Bearer /i, ""));
        }}
      >
        <p>
          <label>
            Bearer token
            <textarea name="token" rows="4" autocomplete="off" spellcheck="false">${bearer()}</textarea>
          </label>
        </p>
        <p class="actions">
          <button class="main">Use it</button>
          ${
            bearer()
              ? html`
                  <button type="button" @click=${() => this.use("")}>Forget it</button>
                `
              : ""
          }
        </p>
      </form>
      ${
        bearer()
          ? html`
              <dl>
                ${
                  said.sub
                    ? html`
                        <dt>who</dt>
                        <dd>${said.sub}</dd>
                      `
                    : ""
                }
                <dt>roles</dt>
                <dd>${[said.roles ?? said.groups ?? []].flat().join(", ") || "none that could be read"}</dd>
                ${
                  said.exp
                    ? html`
                        <dt>until</dt>
                        <dd>${new Date(said.exp * 1000).toLocaleString()}</dd>
                      `
                    : ""
                }
              </dl>
            `
          : html`
              <p>No token is in use.</p>
            `
      }
    `;
  }

  use(token) {
    useBearer(token);
    this.forget();
    location.hash = "#/";
  }
}
