// The page as it is read, line by line, and below it what can be pressed, chosen or typed into, each with its state.
// Scripts that tests inject are one function each: its value is returned.
const isSeen = (element) =>
    element.getClientRects().length > 0 && element.checkVisibility({ opacityProperty: true, visibilityProperty: true });

const plain = (text) => text.replace(/\s+/g, " ").trim();

const nameOf = (element) => {
    const label = element.getAttribute("aria-labelledby");
    const byId = (ids) =>
        ids
            .split(" ")
            .map((id) => document.getElementById(id)?.textContent ?? "")
            .join(" ");
    return plain(
        element.getAttribute("aria-label") ??
            (label ? byId(label) : null) ??
            (element.labels?.length > 0 ? [...element.labels].map((one) => one.textContent).join(" ") : null) ??
            element.textContent,
    );
};

const statesOf = (element) => {
    const states = [];
    for (const name of ["checked", "pressed", "selected", "expanded", "current", "invalid", "disabled", "sort"]) {
        const value = element.getAttribute(`aria-${name}`);
        if (value !== null && value !== "false") states.push(value === "true" ? name : `${name}=${value}`);
    }
    if (element.checked) states.push("ticked");
    if (element.disabled) states.push("disabled");
    if (element.required) states.push("required");
    if (element.tagName === "SELECT") states.push(`"${plain(element.selectedOptions[0]?.textContent ?? "")}"`);
    else if ("value" in element && element.type !== "checkbox" && element.type !== "radio" && element.value !== "") {
        states.push(`"${plain(String(element.value))}"`);
    }
    const described = element.getAttribute("aria-describedby");
    if (described)
        states.push(
            `(${plain(
                described
                    .split(" ")
                    .map((id) => document.getElementById(id)?.textContent ?? "")
                    .join(" "),
            )})`,
        );
    if (element.tagName === "A") states.push(new URL(element.href).pathname + new URL(element.href).search);
    return states;
};

const controls =
    "a[href], button, summary, input, select, textarea, [role=radio], [role=checkbox], [role=tab], [role=slider]";
const parts = [...document.querySelectorAll("header, nav, main, [role=dialog], [role=menu], footer")].filter(
    (part) => isSeen(part) && !part.parentElement.closest("header, nav, main, [role=dialog], [role=menu], footer"),
);

return parts
    .flatMap((part) => [
        `== ${part.getAttribute("role") ?? part.tagName.toLowerCase()}`,
        ...part.innerText
            .replace(/[\t\u00a0]/g, " ")
            .split("\n")
            .map(plain)
            .filter((line) => line !== ""),
        "--",
        ...[...part.querySelectorAll(controls)]
            .filter(isSeen)
            .map((element) =>
                [
                    element.getAttribute("role") ?? element.tagName.toLowerCase(),
                    nameOf(element),
                    ...statesOf(element),
                ].join(" | "),
            ),
    ])
    .join("\n");
