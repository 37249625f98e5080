// What the service says of itself (openapi.json), arranged by collection.

import { named } from "./api.js";

const METHODS = ["get", "post", "put", "patch", "delete"];

/** Reads a description. */
export function describe(document) {
  const resolve = node => {
    while (node && node.$ref) {
      node = node.$ref
        .slice(2)
        .split("/")
        .reduce((part, name) => part[name.replace(/~1/g, "/").replace(/~0/g, "~")], document);
    }
    return node;
  };
  const base = document.servers?.[0]?.url ?? "";
  const operations = Object.entries(document.paths).flatMap(([path, item]) =>
    METHODS.filter(method => item[method]).map(method => ({
      ...operation(resolve, base, path, method, item),
      security: item[method].security ?? document.security ?? [],
    })),
  );
  const collections = operations
    .filter(each => each.method === "GET" && !each.path.includes("{") && rowSchema(resolve, each))
    .map(list => collection(resolve, operations, list));
  for (const each of collections) {
    each.references = references(each, collections);
    each.children = children(each, operations, collections);
  }
  return { title: document.info.title, base, operations, collections };
}

function operation(resolve, base, path, method, item) {
  const told = item[method];
  const parameters = [...(item.parameters ?? []), ...(told.parameters ?? [])].map(resolve);
  const content = Object.entries(told.requestBody?.content ?? {})[0];
  return {
    id: told.operationId,
    method: method.toUpperCase(),
    path,
    url: base + path,
    summary: told.summary ?? "",
    tag: told.tags?.[0] ?? "",
    parameters: parameters.map(parameter => ({ ...parameter, schema: resolve(parameter.schema) })),
    mediaType: content?.[0] ?? "",
    bodySchema: body(resolve, content?.[1].schema),
    bodyFields: bodyFields(resolve, body(resolve, content?.[1].schema)),
    example: content?.[1].example,
    responses: Object.fromEntries(
      Object.entries(told.responses).map(([status, response]) => [status, resolve(response)]),
    ),
  };
}

/** The schema of one row in a body, which may be an array of rows, too. */
function body(resolve, schema) {
  const told = resolve(schema);
  return resolve(told?.oneOf?.[0]) ?? told;
}

function bodyFields(resolve, schema) {
  return Object.keys(schema?.properties ?? {}).map(name => field(resolve, name, schema, { input: schema }));
}

/** The schema of the rows that a list answers with; none if it lists no rows. */
function rowSchema(resolve, list) {
  const answer = resolve(list.responses["200"]?.content?.["application/json"]?.schema);
  return answer?.type === "array" ? resolve(answer.items) : undefined;
}

function collection(resolve, operations, list) {
  const find = (method, path) => operations.find(each => each.method === method && each.path === path);
  const row = list.path + "/{key}";
  const schema = rowSchema(resolve, list);
  const create = find("POST", list.path);
  const replace = find("PUT", row);
  const change = find("PATCH", row);
  const input = create?.bodySchema;
  const names = Object.keys(schema.properties).filter(name => !isIncluded(resolve, schema.properties[name]));
  const read = find("GET", row);
  return {
    name: list.path.slice(1),
    comment: schema.description ?? "",
    rules: input?.description ?? replace?.bodySchema?.description ?? "",
    list,
    create,
    read,
    replace,
    change,
    remove: find("DELETE", row),
    fields: names.map(name =>
      field(resolve, name, schema, { input, replacement: replace?.bodySchema, change: change?.bodySchema }),
    ),
    filters: filters(list),
    sortable: list.parameters.find(parameter => parameter.name === "sort")?.schema.items.enum ?? [],
    links: read?.responses["200"]?.links ?? {},
  };
}

/** Whether a property is a row that comes along when it is asked for. */
function isIncluded(resolve, property) {
  return (
    (property.anyOf ?? [property]).some(part => resolve(part).type === "object" && part.$ref) || property.items?.$ref
  );
}

function field(resolve, name, schema, bodies) {
  const told = resolve(schema.properties[name]);
  const input = resolve(bodies.input?.properties[name]) ?? resolve(bodies.replacement?.properties[name]);
  const types = [told.type].flat().filter(type => type && type !== "null");
  return {
    name,
    description: told.description ?? "",
    onCreate: input?.description ?? told.description ?? "",
    type: types[0] ?? "any",
    format: told.format ?? "",
    nullable: [told.type].flat().includes("null"),
    values: (input?.enum ?? told.enum ?? []).filter(value => value !== null),
    rules: input ?? told,
    creatable: Boolean(bodies.input?.properties[name]),
    changeable: Boolean(bodies.replacement?.properties[name] ?? bodies.change?.properties[name]),
    required: Boolean(bodies.input?.required?.includes(name) ?? bodies.replacement?.required?.includes(name)),
  };
}

/** The comparisons of each field that a list can be narrowed by. */
function filters(list) {
  const found = named();
  for (const parameter of list.parameters.filter(each => each.style === "deepObject")) {
    found[parameter.name] = parameter.schema.properties;
  }
  return found;
}

/** The fields in which a link says that the key of another row stands, by the first of them. */
function references(from, collections) {
  const found = named();
  for (const [name, link] of Object.entries(from.links)) {
    const target = collections.find(each => each.read?.id === link.operationId);
    const fields = fieldsOf(link);
    if (target && name !== "self" && fields.length > 0) {
      found[fields[0]] = { name, fields, target };
    }
  }
  return found;
}

/** The fields of a row whose values make the key that a link leads by, in the order of the key. */
export function fieldsOf(link) {
  return [...String(link?.parameters?.key ?? "").matchAll(/\$response\.body#\/([^},]+)/g)].map(found =>
    decodeURIComponent(found[1]).replace(/~1/g, "/").replace(/~0/g, "~"),
  );
}

function children(parent, operations, collections) {
  const prefix = parent.list.path + "/{key}/";
  return operations
    .filter(each => each.method === "GET" && each.path.startsWith(prefix))
    .map(list => ({
      name: list.path.slice(prefix.length),
      list,
      target: collections.find(each => each.fields.length > 0 && each.list.responses["200"] === list.responses["200"]),
    }))
    .filter(child => child.target);
}

/** Whether somebody with these roles may do something; who is not known may try. */
export function mayDo(operation, roles) {
  return (
    Boolean(operation) &&
    (roles === undefined ||
      operation.security.length === 0 ||
      operation.security.some(requirement =>
        Object.values(requirement)
          .flat()
          .every(role => roles.includes(role)),
      ))
  );
}

/** The key of a row as a segment of a path; none if rows of the collection have none. */
export function keyOf(collection, row) {
  return segment(collection, fieldsOf(collection.links.self), row);
}

/** The values of these fields of a row as a key in a path; none if one of them is empty. */
export function segment(collection, names, row) {
  const values = names.map(name => row[name]);
  const isBytes = name => collection.fields.find(field => field.name === name)?.rules.contentEncoding === "base64";
  return names.length === 0 || values.some(value => value === null || value === undefined || value === "")
    ? undefined
    : values.map((value, i) => encodeURIComponent(isBytes(names[i]) ? inUrl(value) : String(value))).join(",");
}

/** Bytes as paths have them (RFC 4648, section 5). */
function inUrl(base64) {
  return base64.replace(/\+/g, "-").replace(/\//g, "_").replace(/=+$/, "");
}
