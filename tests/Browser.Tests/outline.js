// The page as it is read, line by line, and below it what can be pressed, chosen or typed into, each with its state.
// Scripts that tests inject are one function each: its value is returned.
const [onlyFront] = arguments; // Only what is in front: a sheet over the page, or what the page itself says.
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
const kinds = "header, nav, main, [role=dialog], [role=menu], footer";
const all = [...document.querySelectorAll(kinds)].filter(
    (part) => isSeen(part) && !part.parentElement.closest(kinds),
);
const front = ["[role=dialog], [role=menu]", "main", "*"].map((kind) => all.filter((part) => part.matches(kind)));
const parts = onlyFront ? front.find((some) => some.length > 0) : all;

// Of a list to choose from that is as long as that of the countries, what is chosen says enough.
const mostChoices = 12;
const withoutLongLists = (lines, part) => {
    for (const list of part.querySelectorAll("select")) {
        const choices = [...list.options].map((option) => plain(option.textContent));
        const at = lines.findIndex((_, index) => choices.every((choice, place) => lines[index + place] === choice));
        if (choices.length > mostChoices && at >= 0) lines.splice(at, choices.length);
    }
    return lines;
};

const linesOf = (part) =>
    part.innerText
        .replace(/[\t\u00a0]/g, " ")
        .split("\n")
        .map(plain)
        .filter((line) => line !== "");

return parts
    .flatMap((part) => [
        `== ${part.getAttribute("role") ?? part.tagName.toLowerCase()}`,
        ...withoutLongLists(linesOf(part), part),
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
