// Says which fields somebody typed into on this page, so that what stands in the others does not overwrite what another
// member typed meanwhile.
const form = document.getElementById("sheet");
const touched = new Set();

const note = (event) => {
  if (event.target.name) {
    touched.add(event.target.name);
    form.elements.touched.value = [...touched].join(" ");
  }
};

if (form) {
  form.elements.touched.disabled = false;
  form.addEventListener("input", note, true);
  form.addEventListener("change", note, true);
}
