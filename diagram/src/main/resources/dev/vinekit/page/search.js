const field = document.querySelector("#search");
const entries = [...document.querySelectorAll("nav li")];
const sections = entries.map(entry => document.querySelector(entry.querySelector("a").getAttribute("href")));
const texts = sections.map(section => section.textContent.toLowerCase());

function search() {
  const words = field.value.toLowerCase().split(/\s+/).filter(word => word);
  let found = 0;
  sections.forEach((section, i) => {
    const fits = words.every(word => texts[i].includes(word));
    section.hidden = !fits;
    entries[i].hidden = !fits;
    found += fits ? 1 : 0;
  });
  document.querySelector("#found").textContent = words.length === 0 ? "" : `${found} of ${sections.length}`;
}

field.addEventListener("input", search);
document.querySelector("#size").addEventListener("click", event => {
  const whole = document.querySelector("#diagram").classList.toggle("whole");
  event.target.textContent = whole ? "Actual size" : "Fit to the page";
});
search();
