<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src '${scriptHash}'">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${title}: schema</title>
<style>
  :root { color-scheme: light dark; --paper: #fffdf8; --ink: #2b2a33; --soft: #6a6572; --edge: #d9d2dd; --key: #7a2f55;
    --good: #2b6a2f; --bad: #a3182c; --part: #7a5a00; --tint: #f3edf4; }
  @media (prefers-color-scheme: dark) { :root { --paper: #1b1a20; --ink: #ece9f0; --soft: #a8a2b2; --edge: #413c4a;
    --key: #e79bc0; --good: #8fce93; --bad: #ff8a96; --part: #e3bf5a; --tint: #2a2531; } }
  * { box-sizing: border-box; }
  body { margin: 0; font: 15px/1.5 system-ui, sans-serif; background: var(--paper); color: var(--ink); display: flex; }
  nav { position: sticky; top: 0; height: 100vh; overflow: auto; flex: 0 0 17rem; padding: 1rem; border-right: 1px solid var(--edge); }
  nav ul { list-style: none; margin: .6rem 0; padding: 0; }
  nav li a { display: flex; justify-content: space-between; gap: 1rem; padding: .1rem 0; text-decoration: none; overflow-wrap: anywhere; }
  nav input { width: 100%; font: inherit; padding: .3rem .5rem; border: 1px solid var(--edge); border-radius: 4px; background: var(--paper); color: inherit; }
  nav label, .soft { color: var(--soft); } a { color: inherit; }
  .count { color: var(--soft); font-variant-numeric: tabular-nums; white-space: nowrap; }
  main { flex: 1; min-width: 0; padding: 1rem 1.6rem 4rem; }
  h1 { font-size: 1.4rem; margin: 0; } h2 { font-size: 1.15rem; margin: 0 0 .2rem; } p { margin: .2rem 0 .6rem; }
  #diagram { overflow: auto; max-height: 75vh; border: 1px solid var(--edge); border-radius: 4px; margin: .6rem 0 2rem; }
  #diagram svg { display: block; } #diagram.whole svg { width: 100%; height: auto; max-height: 74vh; }
  button { font: inherit; padding: .1rem .6rem; border: 1px solid var(--edge); border-radius: 4px; background: var(--tint); color: inherit; }
  section { margin-bottom: 2.4rem; padding-top: .6rem; border-top: 2px solid var(--edge); }
  section:target { border-top-color: var(--key); }
  .wide { overflow-x: auto; } table { border-collapse: collapse; margin: .4rem 0; }
  th { text-align: left; color: var(--soft); font-weight: 500; } th, td { padding: .12rem 1rem .12rem 0; vertical-align: top; border-bottom: 1px solid var(--edge); overflow-wrap: break-word; max-width: 34rem; }
  .key { color: var(--key); } .code { font: 13px/1.5 ui-monospace, "DejaVu Sans Mono", monospace; white-space: pre-wrap; unicode-bidi: isolate; }
  dl { display: grid; grid-template-columns: 8rem 1fr; gap: .1rem .6rem; margin: .6rem 0; } dt { color: var(--soft); } dd { margin: 0; overflow-wrap: anywhere; }
  .proved { color: var(--good); } .broken { color: var(--bad); } .part { color: var(--part); } details { margin: .4rem 0; } summary { cursor: pointer; }
  [hidden] { display: none !important; }
  :focus-visible { outline: 2px solid var(--key); outline-offset: 1px; }
  @media (max-width: 700px) { body { display: block; } nav { position: static; height: auto; max-height: 40vh; border: 0; border-bottom: 1px solid var(--edge); }
    main { padding: 1rem; } dl { grid-template-columns: 1fr; } dt { margin-top: .3rem; } }
  @media print { nav, button { display: none; } #diagram { max-height: none; } }
</style>
</head>
<body>
<nav aria-label="Tables">
  <label for="search">Search names, types, comments</label>
  <input id="search" type="search" autocomplete="off">
  <p class="soft" id="found" role="status"></p>
  <ul>
<#list tables as t>
    <li><a href="#${t.anchor()}"><span>${t.name()}</span><span class="count">${t.rows()}</span></a></li>
</#list>
  </ul>
</nav>
<main>
<h1>${title}</h1>
<p class="soft">${engine}, ${tableCount} <#if tableCount == 1>table<#else>tables</#if><#if viewCount gt 0>, ${viewCount} <#if viewCount == 1>view<#else>views</#if></#if><#if counted>; numbers of rows beside the names<#if estimated>, ~ where the database estimates them</#if></#if>.
  <button type="button" id="size">Actual size</button></p>
<div id="diagram" class="whole" tabindex="0" role="region" aria-label="Diagram">
${diagram?no_esc}</div>
<#list tables as t>
<section id="${t.anchor()}" aria-labelledby="${t.anchor()}-name">
<h2 id="${t.anchor()}-name">${t.name()} <#if t.kind()?has_content><span class="soft">${t.kind()}</span></#if></h2>
<p><#if t.rows()?has_content><span class="count">${t.rows()} <#if t.rows() == "1">row<#else>rows</#if>.</span></#if> ${t.comment()}</p>
<div class="wide" tabindex="0" role="region" aria-label="Columns of ${t.name()}"><table>
<tr><th>column</th><th>type</th><th>null</th><th>key</th><th>filled with</th><th>comment</th></tr>
<#list t.columns() as c>
<tr><td class="code">${c.name()}</td><td class="code">${c.type()}</td><td><#if c.nullable()>yes<#else>no</#if></td><td class="key">${c.keys()}</td><td class="code">${c.filled()}</td><td>${c.comment()}</td></tr>
</#list>
</table></div>
<#if t.facts()?has_content>
<dl>
<#list t.facts() as f>
<dt>${f.kind()}</dt><dd><span class="code">${f.text()}</span><#if f.link()?has_content><#if f.anchor()?has_content><a href="#${f.anchor()}">${f.link()}</a><#else>${f.link()} <span class="soft">(not read)</span></#if><span class="code">${f.rest()}</span></#if></dd>
</#list>
</dl>
</#if>
<#list t.service() as s>
<dl>
<dt>service</dt><dd>${s.entity()}, <span class="code">/${s.path()}</span>: <#if s.operations()?has_content>${s.operations()}<#else>nothing</#if></dd>
<#list s.remarks() as r>
<dt>to know</dt><dd>${r}</dd>
</#list>
</dl>
</#list>
<#if t.proofs()?has_content>
<details<#if t.proofs()?filter(p -> p.state() == "broken")?has_content> open</#if>><summary>${t.proofs()?filter(p -> p.state() == "proved")?size} of ${t.proofs()?filter(p -> p.state() != "unbreakable")?size} rules proved by the tests</summary>
<div class="wide"><table>
<#list t.proofs() as p>
<tr><td class="<#if p.state() == "proved" || p.state() == "broken">${p.state()}<#else>part</#if>">${p.state()}</td><td>${p.rule()}</td><td class="soft">${p.reason()}</td></tr>
</#list>
</table></div></details>
</#if>
<#list t.sample() as s>
<div class="wide" tabindex="0" role="region" aria-label="Rows of ${t.name()}"><table>
<tr><#list s.columns() as c><th>${c}</th></#list></tr>
<#list s.rows() as r>
<tr><#list r as v><td class="code">${v}</td></#list></tr>
<#else>
<tr><td colspan="${s.columns()?size}" class="soft">no rows</td></tr>
</#list>
</table></div>
</#list>
</section>
</#list>
</main>
<script>${script?no_esc}</script>
</body>
</html>
