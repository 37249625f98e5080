// Edits that are not sent yet. They are kept with each letter, and only a person sends them or throws them away. The
// browser writes each through to the disk before it says that it is kept: no crash of the browser loses one.

import { address } from "./address.js";

const STORE = "drafts";
let opened;
let known = [];

function database() {
  opened ??= new Promise((resolve, reject) => {
    const request = indexedDB.open(STORE, 1);
    request.onupgradeneeded = () => request.result.createObjectStore(STORE, { keyPath: "id" });
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });
  return opened;
}

async function inStore(work) {
  const transaction = (await database()).transaction(STORE, "readwrite", { durability: "strict" });
  const request = work(transaction.objectStore(STORE));
  return new Promise((resolve, reject) => {
    transaction.oncomplete = () => resolve(request.result);
    transaction.onabort = () => reject(transaction.error);
  });
}

/** Reads again what there is: other tabs have drafts, too. A browser that keeps none says so when one is to be kept. */
export async function readDrafts() {
  const all = await inStore(store => store.getAll()).catch(() => []);
  known = all.sort((a, b) => b.at.localeCompare(a.at));
}

/** All drafts of a service, the latest first. */
export function drafts(service) {
  return known.filter(draft => draft.service === service);
}

/** Throws a draft away. */
export async function discard(id) {
  await inStore(store => store.delete(id));
  known = known.filter(draft => draft.id !== id);
}

/** One edit. It has a name from its first letter on, and the address of the page names it: whoever reloads goes on. */
export class Draft {
  constructor(service, place, title) {
    Object.assign(this, { service: service.title, title, id: place.query.get("draft") ?? undefined });
    this.place = query => address(place.kind, place.segments, new URLSearchParams({ ...this.which(place), ...query }));
    this.resumed = known.find(draft => draft.id === this.id);
  }

  which(place) {
    return place.query.has("id") ? { id: place.query.get("id") } : {};
  }

  /** What was kept; of a draft that another tab has open, what is from now on a copy. */
  async content() {
    if (!this.resumed) {
      this.id = undefined;
    } else if (!(await this.hold())) {
      this.id = undefined;
      await this.keep(this.resumed.content);
    }
    return this.resumed?.content;
  }

  /** The other drafts that belong to the same place. */
  others() {
    return drafts(this.service).filter(draft => draft.id !== this.id && draft.where === this.place());
  }

  /** Keeps what was typed so far. Ends when it is on the disk; fails if there is no room. */
  async keep(content) {
    if (!this.id) {
      this.id = `${Date.now()}-${Math.random().toString(36).slice(2)}`;
      history.replaceState(null, "", this.place({ draft: this.id }));
      this.hold();
    }
    const draft = {
      id: this.id,
      service: this.service,
      title: this.title,
      where: this.place(),
      place: this.place({ draft: this.id }),
      at: new Date().toISOString(),
      content,
    };
    known = [draft, ...known.filter(each => each.id !== this.id)];
    this.latest = draft;
    await inStore(store => store.put(draft));
    this.kept = draft;
  }

  /** Whether all that was typed is on the disk. */
  get isKept() {
    return this.kept === this.latest;
  }

  async discard() {
    if (this.id) {
      await discard(this.id);
      this.leave();
      this.id = undefined;
      history.replaceState(null, "", this.place());
    }
  }

  /** Whether no other tab has the draft open, as far as the browser tells. */
  hold() {
    return (
      !navigator.locks ||
      new Promise(resolve => {
        navigator.locks.request(`draft ${this.id}`, { ifAvailable: true }, lock => {
          resolve(lock !== null);
          return (
            lock &&
            new Promise(release => {
              this.release = release;
            })
          );
        });
      })
    );
  }

  /** Another tab may go on with it. */
  leave() {
    this.release?.();
  }
}
