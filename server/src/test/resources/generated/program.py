import sys
from datetime import date
from decimal import Decimal
from typing import Callable

from client import Link, ShapeError, SiteError, Spot, shaped
from model import Site, Tree, TreeBark, TreePrunings, TreePruningsCuts

address, token = sys.argv[1:]
site = Site(address, token)
visitor = Site(address + "/")


def equal(now: object, wanted: object, about: str) -> None:
    if now != wanted:
        raise AssertionError(f"{about}: {now!r} is not {wanted!r}")


def refused(what: Callable[[], object]) -> SiteError:
    try:
        what()
    except SiteError as error:
        return error
    raise AssertionError("This was not refused")


# made and read
mother = site.trees.create({"title": "Snake mother", "height": Decimal("107.25")}, state="published").value
made = site.trees.create(
    {
        "title": "Snake “Gold” ünder the hill",
        "planted": date(1998, 3, 1),
        "height": Decimal("104.50"),
        "fruits": True,
        "yield": 40,
        "uses": ["table", "juice"],
        "mood": "fine",
        "spot": Spot(Decimal("52.345678"), Decimal("-1.25")),
        "bark": TreeBark(tone="#665544", texture="Rough"),
        "prunings": [
            TreePrunings(day=date(2025, 2, 1), tools=["saw"], cuts=[TreePruningsCuts(branch="Low", thick=Decimal("2.5"))]),
            TreePrunings(day=date(2026, 2, 1)),
        ],
        "parents": [Link("tree", mother.id)],
    },
    state="published",
)
tree: Tree = made.value
equal((tree.height, tree.yield_, tree.planted), (Decimal("104.5"), 40, date(1998, 3, 1)), "values")
equal(tree.spot, Spot(Decimal("52.345678"), Decimal("-1.25")), "a place")
equal(tree.prunings[0].cuts[0].thick if tree.prunings and tree.prunings[0].cuts else None, Decimal("2.5"), "rows in rows")
equal(visitor.trees.get(tree.slug).value.id, tree.id, "by slug")

# filters, sorting, fields and included records
high = visitor.trees.list(filter={"all": [{"field": "height", "above": Decimal("104")}, {"not": {"field": "mood", "is": "ill"}}]})
equal(sorted(each.title or "" for each in high.items), ["Snake mother", "Snake “Gold” ünder the hill"], "filtered")
ordered = visitor.trees.list(sort=["-height"], fields=["height"], filter={"field": "height", "at_least": 104})
equal([(each.height, each.title) for each in ordered.items], [(Decimal("107.25"), None), (Decimal("104.5"), None)], "sorted")
parents = visitor.trees.list(search="Snake Gold", include=["parents"]).items[0].parents
equal(parents[0].height if parents and isinstance(parents[0], Tree) else parents, Decimal("107.25"), "included")
parents = visitor.trees.get(tree.id).value.parents
equal(parents, [Link("tree", mother.id, "Snake mother")], "not included")

# page by page
for number in range(5):
    site.trees.create({"title": f"Snake {number}", "height": 200 + number}, state="published")
young = [each.title for each in visitor.trees.all(limit=2, sort=["height"], filter={"field": "height", "at_least": 201})]
equal(young, ["Snake 1", "Snake 2", "Snake 3", "Snake 4"], "pages")

# changed with the mark of what was read
read = site.trees.get(tree.id)
changed = site.trees.change(tree.id, read.etag, {"height": 5, "mood": None})
equal((changed.value.height, changed.value.mood, changed.value.fruits), (5, None, True), "changed")
late = refused(lambda: site.trees.change(tree.id, read.etag, {"height": 6}))
equal((late.status, late.overtaken), (412, True), "overtaken")
replaced = site.trees.replace(tree.id, changed.etag, {"title": "Gold"})
equal((replaced.value.title, replaced.value.height), ("Gold", None), "replaced")
site.trees.remove(tree.id, replaced.etag)
equal(refused(lambda: site.trees.get(tree.id)).status, 404, "removed")

# errors say what to do
wrong = refused(lambda: site.trees.create({"title": "Low", "height": -3}, state="published"))
equal((wrong.status, len(wrong.problems) > 0), (422, True), "invalid")
equal(refused(lambda: visitor.trees.create({"title": "Stranger"})).status, 401, "without a token")

# terms and site values
term = site.sort_terms.create({"label": "Medlar"})
equal(site.sort_terms.get(term.value.id).value.label, "Medlar", "term")
office = site.office_values.get()
opens = site.office_values.change(office.etag, {"opens": "08:45"}).value.opens
equal(opens.isoformat("minutes") if opens else None, "08:45", "site values")

# what another release would give is told
try:
    shaped(Tree, {"id": 1, "slug": "a", "mood": "moody"}, "trees[0]")
    raise AssertionError("The shape was not checked")
except ShapeError as error:
    equal(str(error), "trees[0].mood is not one of fine, ill", "shape")
print("all is well")
