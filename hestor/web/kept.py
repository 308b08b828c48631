"""Rendered answers, kept in this process under all that they depend on, up to a number of bytes."""

from collections import OrderedDict
from collections.abc import Callable, Hashable
from threading import Lock
from typing import Generic, TypeVar

V = TypeVar("V")


class Kept(Generic[V]):
    """A least-recently-used store. What is in it never goes stale: its key names an edition."""

    def __init__(self, most: int, weigh: Callable[[V], int]) -> None:
        self._most = most
        self._weigh = weigh
        self._weight = 0
        self._items: OrderedDict[Hashable, V] = OrderedDict()
        self._lock = Lock()

    def get(self, key: Hashable) -> V | None:
        """What is kept under the key."""
        with self._lock:
            if key not in self._items:
                return None
            self._items.move_to_end(key)
            return self._items[key]

    def clear(self) -> None:
        """Lets go of everything."""
        with self._lock:
            self._items.clear()
            self._weight = 0

    def __len__(self) -> int:
        """How many values are kept."""
        return len(self._items)

    def put(self, key: Hashable, value: V) -> V:
        """Keeps a value, and lets go of the longest unused ones if it gets too much."""
        weight = self._weigh(value)
        if weight > self._most:
            return value
        with self._lock:
            if key in self._items:
                self._weight -= self._weigh(self._items.pop(key))
            self._items[key] = value
            self._weight += weight
            while self._weight > self._most:
                self._weight -= self._weigh(self._items.popitem(last=False)[1])
        return value
