<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${title}: tests</title>
<style>
  :root { color-scheme: light dark; --paper: #fffdf8; --ink: #2b2a33; --line: #8884; --faint: #6a6572; --good: #2b6a2f; --bad: #a3182c; --part: #7a5a00; }
  @media (prefers-color-scheme: dark) { :root { --paper: #1b1a20; --ink: #ece9f0; --faint: #a8a2b2; --good: #8fce93; --bad: #ff8a96; --part: #e3bf5a; } }
  body { background: var(--paper); color: var(--ink); font: 15px/1.5 system-ui, sans-serif; max-width: 76rem; margin: 2rem auto; padding: 0 1.5rem; }
  h1 { font-size: 1.5rem; margin: 0 0 .25rem; }
  h2 { font-size: 1.1rem; margin: 2.2rem 0 .6rem; }
  p.sum { margin: 0 0 1.2rem; color: var(--faint); }
  .good { color: var(--good); } .bad { color: var(--bad); } .part { color: var(--part); } .none, .faint { color: var(--faint); }
  .wide { overflow-x: auto; } table { border-collapse: collapse; font-variant-numeric: tabular-nums; }
  th { text-align: left; font-weight: 600; } th, td { padding: .2rem .9rem .2rem 0; border-bottom: 1px solid var(--line); vertical-align: top; }
  td.n { text-align: right; } a { color: inherit; }
  td.bad { font-weight: 700; }
  details { margin: .1rem 0; } summary { cursor: pointer; } summary .t { color: var(--faint); margin-left: .6rem; font-variant-numeric: tabular-nums; }
  pre { font: 12.5px/1.45 ui-monospace, monospace; white-space: pre-wrap; overflow-wrap: anywhere; margin: .3rem 0 .8rem; padding: .6rem .8rem; border-left: 3px solid var(--line); }
  section { margin-left: 1rem; }
</style>
</head>
<body>
<#macro tests of>
  <#list of as t>
  <details<#if t.failure()?has_content> open</#if>><summary><#if t.failure()?has_content><span class="bad">failed</span><#elseif t.off()?has_content><span class="part">off</span><#else><span class="good">passed</span></#if> ${t.name()}<span class="t">${t.time()}</span></summary>
  <#if t.failure()?has_content><pre class="bad">${t.failure()}</pre></#if>
  <#if t.off()?has_content><pre class="part">Switched off: ${t.off()}</pre></#if>
  <#if t.exchanges()?has_content><#if !t.failure()?contains(t.exchanges())><pre>${t.exchanges()}</pre></#if><#elseif !t.failure()?has_content && !t.off()?has_content><pre class="faint">No request: this test speaks to the database.</pre></#if>
  </details>
  </#list>
</#macro>
<main>
<h1>${title}</h1>
<p class="sum"><b class="<#if green>good<#else>bad</#if>"><#if passed + failed == 0>No test ran<#else>${passed} passed, ${failed} failed<#if off?has_content>, ${off?size} switched off</#if></#if></b>
  &middot; ${proved} of ${rules} rules proved &middot; ${time} &middot; <#if changed?has_content><b class="bad">not left as they were: ${changed?join(", ")}</b><#else>the scratch database held its ${seedRows} seed rows again afterwards</#if><#if schemaPage?has_content> &middot; <a href="${schemaPage}">the schema</a></#if></p>

<div class="wide" tabindex="0" role="region" aria-label="Tests by table"><table>
<tr><th>table</th><#list aspects as a><th>${a}</th></#list><th>time</th></tr>
<#list rows as r>
<tr><td><a href="#${r.anchor()}">${r.table()}</a></td><#list r.cells() as c><td class="n ${c.state()}"><#if c.text()?has_content>${c.text()}<#else>&middot;</#if></td></#list><td class="n faint">${r.time()}</td></tr>
</#list>
</table></div>
<p class="faint">A number counts tests that passed; a dot stands for an operation that is not there, a question mark for one that no test is about. Rules: proved out of those that a request can break.</p>

<#if failures?has_content>
<h2>Failures</h2>
<@tests of=failures/>
</#if>

<#if off?has_content>
<h2>Tests that somebody has switched off</h2>
<@tests of=off/>
</#if>

<#macro ruleTable title unbreakable>
<div class="wide" tabindex="0" role="region" aria-label="${title}"><table>
<tr><th>table</th><th>rule</th><#if !unbreakable><th>state</th></#if><th>why</th></tr>
<#list rows as r><#list r.unproved()?filter(u -> (u.state() == "unbreakable") == unbreakable) as u>
<tr><td>${r.table()}</td><td>${u.rule()}<#if u.text()?has_content && u.rule()?index_of(u.text()) lt 0><br><span class="faint">${u.text()}</span></#if></td><#if !unbreakable><td class="<#if u.state() == "broken">bad<#else>part</#if>">${u.state()}</td></#if><td>${u.reason()}</td></tr>
</#list></#list>
</table></div>
</#macro>
<#assign unproved = [], beyond = []>
<#list rows as r><#list r.unproved() as u><#if u.state() == "unbreakable"><#assign beyond += [u]><#else><#assign unproved += [u]></#if></#list></#list>
<#if unproved?has_content>
<h2>Rules without proof</h2>
<@ruleTable title="Rules without proof" unbreakable=false/>
</#if>
<#if beyond?has_content>
<h2>Rules that no request can break</h2>
<details><summary><b>${beyond?size} rules</b></summary><section>
<@ruleTable title="Rules that no request can break" unbreakable=true/>
</section></details>
</#if>

<h2>Slowest tests</h2>
<div class="wide" tabindex="0" role="region" aria-label="Slowest tests"><table>
<#list slowest as t><tr><td>${t.name()}</td><td class="n faint">${t.time()}</td></tr>
</#list></table></div>

<h2>All tests, with what they asked and what came back</h2>
<#list rows as r>
<details id="${r.anchor()}"><summary><b>${r.table()}</b><span class="t">${r.tests()?size} tests, ${r.time()}</span></summary><section>
<@tests of=r.tests()/>
</section></details>
</#list>
<#if whole?has_content>
<details><summary><b>the service as a whole</b><span class="t">${whole?size} tests</span></summary><section>
<@tests of=whole/>
</section></details>
</#if>
</main>
</body>
</html>
