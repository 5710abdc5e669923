"""What every site with a content API is read and written by; needs nothing but the standard library."""

from __future__ import annotations

import dataclasses
import json
import urllib.error
import urllib.parse
import urllib.request
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime, time
from decimal import Decimal
from typing import Any, Generic, Literal, TypeVar

RecordState = Literal["draft", "published", "scheduled", "retired"]
T = TypeVar("T")


@dataclass(frozen=True)
class Link:
    """A record that a value leads to, where it is not included; type is the key of its content type."""

    type: str
    id: int
    title: str | None = None


@dataclass(frozen=True)
class TermOf:
    id: int
    label: str | None = None


@dataclass(frozen=True)
class Picture:
    id: int
    url: str | None = None
    alt: str | None = None
    width: int | None = None
    height: int | None = None


@dataclass(frozen=True)
class Attachment:
    id: int
    url: str | None = None
    name: str | None = None
    bytes: int | None = None


@dataclass(frozen=True)
class Spot:
    """A place on earth, in degrees (WGS 84)."""

    latitude: Decimal
    longitude: Decimal


@dataclass(frozen=True, kw_only=True)
class Stored:
    """What every record and term has; times are in UTC. Other values are given as they come where they are not asked for."""

    id: int
    slug: str
    url: str | None = None
    parent: int | None = None
    state: str | None = None
    publish_at: datetime | None = None
    retire_at: datetime | None = None
    updated_at: datetime | None = None


@dataclass(frozen=True)
class Read(Generic[T]):
    """What was read, with the mark of its state that a change has to send back."""

    value: T
    etag: str


@dataclass(frozen=True)
class Page(Generic[T]):
    items: list[T]
    next: str | None
    total: int
    total_exact: bool


class SiteError(Exception):
    """Why a request was not carried out (RFC 9457)."""

    def __init__(
        self, status: int, title: str, detail: str, problems: list[dict[str, Any]], retry_after: int | None
    ) -> None:
        super().__init__(detail or title)
        self.status = status
        self.title = title
        self.detail = detail
        self.problems = problems
        self.retry_after = retry_after

    @property
    def overtaken(self) -> bool:
        """Whether somebody has changed it since it was read."""
        return self.status == 412


class ShapeError(Exception):
    """What came is not what the definitions say that this was made of."""

    def __init__(self, path: str, wanted: str) -> None:
        super().__init__(f"{path} is not {wanted}")
        self.path = path


# How values are read: the word for a plain one, ("options", keys), ("record", {type: class}), ("object", class) or ("list", shape).
Shape = Any
KEYS = "_keys"


def shaped(kind: type[T], value: Any, path: str) -> T:
    """The object of a class that a value is read as; what is missing is None, and what is unknown here is left out."""
    if not isinstance(value, dict):
        raise ShapeError(path, "an object")
    given: dict[str, Any] = {}
    keys: Mapping[str, tuple[str, Shape]] = getattr(kind, KEYS, {})
    for name, (key, shape) in {**STORED, **keys}.items() if issubclass(kind, Stored) else keys.items():
        if value.get(key) is not None:
            given[name] = read(shape, value[key], f"{path}.{key}")
    try:
        return kind(**given)
    except TypeError as lacking:
        raise ShapeError(path, f"a {kind.__name__}") from lacking


def read(shape: Shape, value: Any, path: str) -> Any:
    if isinstance(shape, str):
        return plain(shape, value, path)
    sort, of = shape
    if sort == "list":
        if not isinstance(value, list):
            raise ShapeError(path, "a list")
        return [read(of, each, f"{path}[{at}]") for at, each in enumerate(value)]
    if sort == "options":
        if value not in of:
            raise ShapeError(path, f"one of {', '.join(of)}")
        return value
    if sort == "object":
        return shaped(of(), value, path)
    return linked(of(), value, path)


def linked(kinds: Mapping[str, type | None], value: Any, path: str) -> Any:
    """A link, or the record itself where it was included: it has an address instead of a type."""
    if not isinstance(value, dict) or "id" not in value:
        raise ShapeError(path, "a record")
    if "slug" not in value:
        if value.get("type") not in kinds:
            raise ShapeError(path, f"a record of {', '.join(kinds)}")
        return Link(value["type"], value["id"], value.get("title"))
    known = [kind for kind in kinds.values() if kind is not None]
    for kind in known:
        try:
            return shaped(kind, value, path)
        except ShapeError:
            if kind is known[-1]:
                raise
    raise ShapeError(path, f"a record of {', '.join(kinds)}")


def plain(shape: str, value: Any, path: str) -> Any:
    try:
        match shape:
            case "text" if isinstance(value, str):
                return value
            case "flag" if isinstance(value, bool):
                return value
            case "whole" if not isinstance(value, bool) and int(value) == value:
                return int(value)
            case "number" if not isinstance(value, (bool, str)):
                return Decimal(value)
            case "date":
                return date.fromisoformat(value)
            case "time":
                return time.fromisoformat(value)
            case "date_time":
                return datetime.fromisoformat(value)
            case "spot":
                return Spot(Decimal(value["latitude"]), Decimal(value["longitude"]))
            case "term":
                return TermOf(value["id"], value["label"])
            case "picture":
                return Picture(value["id"], value["url"], value["alt"], value.get("width"), value.get("height"))
            case "attachment":
                return Attachment(value["id"], value["url"], value["name"], value.get("bytes"))
    except (KeyError, TypeError, ValueError, ArithmeticError) as wrong:
        raise ShapeError(path, f"a value of kind {shape}") from wrong
    raise ShapeError(path, f"a value of kind {shape}")


STORED: Mapping[str, tuple[str, Shape]] = {
    "id": ("id", "whole"),
    "slug": ("slug", "text"),
    "url": ("url", "text"),
    "parent": ("parent", "whole"),
    "state": ("state", "text"),
    "publish_at": ("publish_at", "date_time"),
    "retire_at": ("retire_at", "date_time"),
    "updated_at": ("updated_at", "date_time"),
}


def written(value: Any) -> Any:
    """A value as JSON has it."""
    if isinstance(value, Stored):
        raise TypeError("A record is written as a Link, with its type and its number")
    if dataclasses.is_dataclass(value) and not isinstance(value, type):
        keys: Mapping[str, tuple[str, Shape]] = getattr(type(value), KEYS, {})
        fields = [(keys[each.name][0] if each.name in keys else each.name, each.name) for each in dataclasses.fields(value)]
        return {key: written(getattr(value, name)) for key, name in fields if getattr(value, name) is not None}
    if isinstance(value, Mapping):
        return {key: written(each) for key, each in value.items()}
    if isinstance(value, (list, tuple)):
        return [written(each) for each in value]
    if isinstance(value, Decimal):
        if not value.is_finite():
            raise ValueError(f"{value} is no number that a site knows")
        return Number(value)
    if isinstance(value, (date, time, datetime)):
        return value.isoformat()
    return value


class Number(float):
    """A decimal that is written digit for digit."""

    def __new__(cls, value: Decimal) -> Number:
        return super().__new__(cls, value)

    def __init__(self, value: Decimal) -> None:
        self.digits = format(value, "f")

    def __repr__(self) -> str:
        return self.digits


class Calls:
    """The calls to one site."""

    def __init__(self, address: str, token: str | None = None, timeout: float = 30) -> None:
        """:param address: of the API, such as https://towpath.example/api
        :param timeout: seconds
        """
        self._address = address.rstrip("/")
        self._token = token
        self._timeout = timeout

    def send(
        self,
        method: str,
        path: str,
        asked: Mapping[str, str | None] | None = None,
        body: Mapping[str, Any] | None = None,
        etag: str | None = None,
    ) -> tuple[Any, str]:
        """What came, and its mark."""
        query = urllib.parse.urlencode({name: value for name, value in (asked or {}).items() if value})
        request = urllib.request.Request(f"{self._address}/{path}{'?' + query if query else ''}", method=method)
        request.add_header("Accept", "application/json")
        if self._token:
            request.add_header("Authorization", f"Bearer {self._token}")
        if etag is not None:
            request.add_header("If-Match", etag)
        if body is not None:
            request.add_header("Content-Type", "application/json")
            request.data = encoded(written(body)).encode()
        try:
            with urllib.request.urlopen(request, timeout=self._timeout) as response:
                text = response.read()
                mark = response.headers.get("ETag") or ""
                return (json.loads(text, parse_float=Decimal) if text else None), mark
        except urllib.error.HTTPError as refused:
            raise told(refused) from None


def encoded(tree: Any) -> str:
    """JSON, with decimals digit for digit: the library would write them as it writes its own numbers."""
    if isinstance(tree, Number):
        return tree.digits
    if isinstance(tree, Mapping):
        return "{" + ",".join(f"{json.dumps(key)}:{encoded(value)}" for key, value in tree.items()) + "}"
    if isinstance(tree, list):
        return "[" + ",".join(encoded(value) for value in tree) + "]"
    return json.dumps(tree, allow_nan=False)


def told(refused: urllib.error.HTTPError) -> SiteError:
    with refused:
        try:
            said = json.loads(refused.read())
        except ValueError:
            said = {}
    said = said if isinstance(said, dict) else {}
    wait = refused.headers.get("Retry-After", "")
    problems = said.get("problems")
    return SiteError(
        refused.code,
        str(said.get("title") or refused.reason),
        str(said.get("detail") or ""),
        problems if isinstance(problems, list) else [],
        int(wait) if wait.isdigit() else None,
    )


class Terms(Generic[T]):
    """The terms of a taxonomy, or the records of a content type."""

    def __init__(self, calls: Calls, path: str, kind: type[T]) -> None:
        self._calls = calls
        self._path = path
        self._kind = kind

    def list(
        self,
        *,
        filter: Mapping[str, Any] | None = None,
        search: str | None = None,
        sort: Sequence[str] = (),
        fields: Sequence[str] = (),
        include: Sequence[str] = (),
        limit: int | None = None,
        after: str | None = None,
    ) -> Page[T]:
        """One page of a list.

        :param filter: a condition, such as {"field": "length", "above": 20} or {"all": [...]}
        :param sort: keys of fields in the order of their weight; a minus turns one around
        :param include: keys of relations whose records are given whole
        :param limit: 1 to 100
        :param after: where the page begins, from the page before
        """
        asked = {
            "filter": encoded(written(filter)) if filter else None,
            "search": search,
            "sort": ",".join(sort),
            "fields": ",".join(fields),
            "include": ",".join(include),
            "limit": str(limit) if limit is not None else None,
            "after": after,
        }
        page, _ = self._calls.send("GET", self._path, asked)
        items = [shaped(self._kind, each, f"{self._path}[{at}]") for at, each in enumerate(page["items"])]
        return Page(items, page.get("next"), page["total"], page["total_exact"])

    def all(self, **query: Any) -> Iterator[T]:
        """All of a list, page by page; asked like a page."""
        while True:
            page = self.list(**query)
            yield from page.items
            if page.next is None:
                return
            query["after"] = page.next

    def get(self, id: int | str, *, fields: Sequence[str] = (), include: Sequence[str] = ()) -> Read[T]:
        """One of them, by number or slug."""
        asked = {"fields": ",".join(fields), "include": ",".join(include)}
        return self._read(self._calls.send("GET", self._one(id), asked))

    def create(self, values: Mapping[str, Any], **placing: Any) -> Read[T]:
        """:param placing: state, slug, publish_at, retire_at, parent, position"""
        return self._read(self._calls.send("POST", self._path, body={**placing, "values": values}))

    def change(self, id: int | str, etag: str, values: Mapping[str, Any], **placing: Any) -> Read[T]:
        """Only what is sent is changed; None empties a value. The mark is that of what was read without parameters."""
        return self._read(self._calls.send("PATCH", self._one(id), body={**placing, "values": values}, etag=etag))

    def remove(self, id: int | str, etag: str) -> None:
        self._calls.send("DELETE", self._one(id), etag=etag)

    def _one(self, id: int | str) -> str:
        return f"{self._path}/{urllib.parse.quote(str(id), safe='')}"

    def _read(self, answer: tuple[Any, str]) -> Read[T]:
        return Read(shaped(self._kind, answer[0], self._path), answer[1])


class Records(Terms[T]):
    def replace(self, id: int | str, etag: str, values: Mapping[str, Any], **placing: Any) -> Read[T]:
        """What is not sent is emptied. The mark is that of what was read without parameters."""
        return self._read(self._calls.send("PUT", self._one(id), body={**placing, "values": values}, etag=etag))


class Single(Generic[T]):
    """Values of which a site has one."""

    def __init__(self, calls: Calls, path: str, kind: type[T]) -> None:
        self._calls = calls
        self._path = path
        self._kind = kind

    def get(self) -> Read[T]:
        value, mark = self._calls.send("GET", self._path)
        return Read(shaped(self._kind, value, self._path), mark)

    def change(self, etag: str, values: Mapping[str, Any]) -> Read[T]:
        """Only what is sent is changed; None empties a value."""
        value, mark = self._calls.send("PATCH", self._path, body={"values": values}, etag=etag)
        return Read(shaped(self._kind, value, self._path), mark)
