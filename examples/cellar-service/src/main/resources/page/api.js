// Asks the service, and remembers what was asked.

const MOST_REMEMBERED = 50;
const LONGEST_REMEMBERED = 20_000;
const TOKEN = "token";
const ASKED = "asked";

/** The requests of this tab, the latest first. */
export const asked = JSON.parse(sessionStorage.getItem(ASKED) ?? "[]");

/** The bearer token of this tab; empty for none. */
export function bearer() {
  return sessionStorage.getItem(TOKEN) ?? "";
}

/** Takes a token for this tab; an empty one forgets it. */
export function useBearer(text) {
  if (text) {
    sessionStorage.setItem(TOKEN, text);
  } else {
    sessionStorage.removeItem(TOKEN);
  }
}

/** What a token says, which only the service can verify; nothing if it is none. */
export function claims(text) {
  try {
    const bytes = Uint8Array.from(atob(text.split(".")[1].replace(/-/g, "+").replace(/_/g, "/")), c => c.charCodeAt(0));
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return {};
  }
}

/** The roles of the token in use; nothing if there is none, or none that says. */
export function roles() {
  const said = claims(bearer());
  const listed = said.roles ?? said.groups;
  return listed === undefined ? undefined : [listed].flat().flatMap(text => String(text).split(" "));
}

/**
 * Sends a request. Those that change something are remembered, and any that a person wants to be.
 *
 * The answer has its status, headers, text and, where it is JSON, value, and the milliseconds that it took; a service
 * that does not answer has status 0.
 */
export async function send(
  method,
  url,
  { headers = {}, body, remembered = method !== "GET" && method !== "HEAD" } = {},
) {
  const sent = bearer() ? { ...headers, Authorization: `Bearer ${bearer()}` } : headers;
  const begin = performance.now();
  let answer;
  try {
    const response = await fetch(url, {
      method,
      headers: sent,
      body,
      cache: "no-store",
      credentials: "omit",
      redirect: "error",
    });
    const text = await response.text();
    answer = {
      status: response.status,
      reason: response.statusText,
      headers: response.headers,
      text,
      value: parsed(response, text),
    };
  } catch (failure) {
    answer = { status: 0, reason: "no answer", headers: new Headers(), text: String(failure), value: undefined };
  }
  answer.millis = Math.round(performance.now() - begin);
  if (remembered) {
    remember({ method, url, headers, body, at: Date.now(), millis: answer.millis, status: answer.status });
  }
  return answer;
}

/** Remembers a request, without what came back; no long ones, for which a browser has no room. */
function remember(request) {
  if ((request.body ?? "").length <= LONGEST_REMEMBERED) {
    asked.unshift(request);
    asked.length = Math.min(asked.length, MOST_REMEMBERED);
    sessionStorage.setItem(ASKED, JSON.stringify(asked));
  }
}

function parsed(response, text) {
  if (!/[/+]json\b/.test(response.headers.get("Content-Type") ?? "") || text === "") {
    return undefined;
  }
  return parse(text);
}

/**
 * JSON as JavaScript has it, with the digits of each number kept that a number of JavaScript cannot hold. Its objects
 * have the members of the text and no others: a column may be called `toString`.
 */
export function parse(text) {
  return JSON.parse(
    text.replace(/"(?:[^"\\]|\\.)*"|-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?/g, part =>
      part.startsWith('"') || isExact(part) ? part : JSON.stringify(DIGITS + part),
    ),
    (name, value) => {
      if (typeof value === "string" && value.startsWith(DIGITS)) {
        return new Digits(value.slice(DIGITS.length));
      }
      const isObject = value !== null && typeof value === "object" && !Array.isArray(value) && !(value instanceof Digits);
      return isObject ? Object.setPrototypeOf(value, null) : value;
    },
  );
}

/** An object that has these members and no others, which those of classes have from the start. */
export function named(members) {
  return Object.assign(Object.create(null), members);
}

const DIGITS = "\u0000digits:";

/** A number that is written as it was read. */
export class Digits {
  constructor(text) {
    this.text = text;
  }

  toString() {
    return this.text;
  }

  toJSON() {
    return DIGITS + this.text;
  }
}

/** A value as JSON, the reverse of {@link parse}. */
export function stringify(value, indent) {
  return JSON.stringify(value, null, indent)?.replace(/"\\u0000digits:([^"]+)"/g, "$1");
}

function isExact(text) {
  const plain = text
    .replace(/^-/, "")
    .replace(/[eE].*$/, "")
    .replace(".", "")
    .replace(/^0+/, "")
    .replace(/0+$/, "");
  return plain.length <= 15 && !/[eE]/.test(text) && String(Number(text)) === text;
}

/** A request as a line for a shell. */
export function curl({ method, url, headers, body }) {
  const quoted = text => `'${text.replace(/'/g, "'\\''")}'`;
  return [
    "curl -g",
    ...(method === "GET" ? [] : [`-X ${method}`]),
    ...Object.entries(headers).map(([name, value]) => `-H ${quoted(`${name}: ${value}`)}`),
    ...(bearer() ? ['-H "Authorization: Bearer $TOKEN"'] : []),
    ...(body === undefined ? [] : [`--data-binary ${quoted(body)}`]),
    quoted(new URL(url, location.href).href),
  ].join(" ");
}
