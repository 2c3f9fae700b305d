"""Several connections to one database, each with a thread that works off a short queue of jobs in order."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from queue import Queue
from threading import Thread
from typing import Generic, TypeVar

Connection = TypeVar("Connection")
LONGEST_QUEUE = 8
"""Jobs that wait for one worker at most; rows come in blocks of about 1 MiB."""


class Workers(Generic[Connection]):
    """Works off jobs. Jobs see to errors of the server themselves; any other error is raised by `settle`."""

    def __init__(self, connections: Sequence[Connection]) -> None:
        self.connections = list(connections)
        self._queues: list[Queue[Callable[[Connection], None]]] = [Queue(LONGEST_QUEUE) for _ in connections]
        self._error: BaseException | None = None
        for connection, jobs in zip(self.connections, self._queues, strict=True):
            Thread(target=self._work, args=(connection, jobs), daemon=True).start()

    def _work(self, connection: Connection, jobs: Queue[Callable[[Connection], None]]) -> None:
        while True:
            job = jobs.get()
            try:
                job(connection)
            except BaseException as error:  # handed over to the thread that settles
                self._error = self._error or error
            finally:
                jobs.task_done()

    def submit(self, worker: int, job: Callable[[Connection], None]) -> None:
        """Hand a job to a worker; waits while its queue is full."""
        self._queues[worker].put(job)

    def backlog(self, worker: int) -> int:
        """How many jobs a worker has not finished."""
        return self._queues[worker].unfinished_tasks

    def quietest(self) -> int:
        """The worker with the fewest unfinished jobs."""
        return min(range(len(self._queues)), key=self.backlog)

    def settle(self) -> None:
        """Wait until all jobs are done. Raises what went wrong in one."""
        for jobs in self._queues:
            jobs.join()
        if self._error is not None:
            raise self._error
