// Values of rows as texts of a form, and back.

import { Digits, parse, stringify } from "./api.js";

const LONG = 80;

/** The fields of browsers for days and times, by the format of the value, and what such a field can hold. */
const CALENDARS = {
  date: { type: "date", holds: /^\d{4}-\d\d-\d\d$/ },
  "time-local": { type: "time", holds: /^\d\d:\d\d(:\d\d(\.\d{1,3})?)?$/ },
  "date-time-local": { type: "datetime-local", holds: /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,3})?)?$/ },
};

/** The type of the input for a text: one for days and times that can hold it, or one for any text. */
export function inputType(field, text) {
  const calendar = CALENDARS[field.format];
  return calendar && (text === "" || calendar.holds.test(text)) ? calendar.type : "text";
}

/** How a field is edited. */
export function control(field) {
  if (field.values.length > 0) {
    return "choice";
  } else if (field.type === "boolean") {
    return "truth";
  } else if (field.type === "integer" || field.type === "number") {
    return "number";
  } else if (field.rules?.contentEncoding === "base64" || field.format === "byte") {
    return "file";
  } else if (field.type === "string") {
    return (field.rules?.maxLength ?? Infinity) > LONG && !field.format ? "long" : "text";
  }
  return "json";
}

/** A value as the text of its control; an empty one where there is no value. */
export function textOf(field, value) {
  if (value === null || value === undefined) {
    return "";
  } else if (control(field) === "json") {
    return stringify(value, 2);
  }
  return String(value).replace(/\r\n/g, "\n");
}

/**
 * The value that a text stands for.
 *
 * @param before the value that the field had: a text that shows it stands for it
 * @throws Error if it stands for none, with words for a person
 */
export function valueOf(field, text, before) {
  const kind = control(field);
  if (before !== undefined && before !== null && text === textOf(field, before)) {
    return before;
  } else if (text === "" && (field.nullable || field.rules?.type !== "string")) {
    return null;
  } else if (kind === "truth") {
    return text === "true";
  } else if (kind === "number" || (kind === "choice" && field.type !== "string")) {
    return number(text);
  } else if (kind === "json") {
    return json(text);
  }
  return hasLineEndsOfTwo(before) ? text.replace(/\n/g, "\r\n") : text;
}

/** Whether the lines of a text end as they do in files of Windows; fields of browsers know only the other way. */
function hasLineEndsOfTwo(text) {
  return typeof text === "string" && text.includes("\r\n") && !/(^|[^\r])\n/.test(text);
}

function number(text) {
  if (!/^[+-]?\d+(\.\d+)?([eE][+-]?\d+)?$/.test(text.trim())) {
    throw new Error("This is no number.");
  }
  return parse(text.trim().replace(/^\+/, ""));
}

function json(text) {
  try {
    return parse(text);
  } catch (failure) {
    throw new Error(`This is no JSON: ${failure.message}`, { cause: failure });
  }
}

/** The rules of a field in words. */
export function rulesOf(field) {
  const rules = field.rules ?? {};
  const words = [];
  const least = rules.minimum ?? rules.exclusiveMinimum;
  const most = rules.maximum ?? rules.exclusiveMaximum;
  if (least !== undefined && least > -1e12) {
    words.push(`${rules.minimum === undefined ? "more than" : "at least"} ${least}`);
  }
  if (most !== undefined && most < 1e12) {
    words.push(`${rules.maximum === undefined ? "less than" : "at most"} ${most}`);
  }
  if (rules.multipleOf) {
    words.push(`in steps of ${rules.multipleOf}`);
  }
  if (rules.minLength) {
    words.push(`at least ${rules.minLength} letters`);
  }
  if (rules.maxLength) {
    words.push(`at most ${rules.maxLength} letters`);
  }
  if (rules.pattern) {
    words.push(`like ${rules.pattern}`);
  }
  return words.join(", ");
}

/** A value as it stands in a table. */
export function shown(value) {
  if (value === null || value === undefined) {
    return "";
  }
  return typeof value === "object" && !(value instanceof Digits) ? stringify(value) : String(value);
}
