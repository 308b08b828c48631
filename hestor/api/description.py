"""The API's description, made whole: what every call may answer besides what it is for, and in which format."""

from typing import Any

_PROBLEM = "application/problem+json"
_METHODS = ("get", "post", "put", "patch", "delete")


def _as_problem(answer: dict[str, Any]) -> dict[str, Any]:
    """An answer with its body in the format of problem details (RFC 9457)."""
    bodies = list(answer.get("content", {}).values())
    return {**answer, "content": {_PROBLEM: bodies[0]}} if bodies else answer


def complete(schema: Any) -> None:
    """Says in the document all answers: a call may be refused for reasons that all calls share."""
    any_problem = {
        "description": "Why it was not done",
        "content": {_PROBLEM: {"schema": {"$ref": "#/components/schemas/ProblemOut"}}},
    }
    for path in schema["paths"].values():
        for call in (path[method] for method in _METHODS if method in path):
            said = {str(status): answer for status, answer in call["responses"].items()}
            call["responses"] = {
                **{status: _as_problem(answer) if status >= "400" else answer for status, answer in said.items()},
                "default": any_problem,
            }


def gives(*media: str) -> dict[str, Any]:
    """What a call says of itself that answers with a file."""
    content: dict[str, Any] = {one: {"schema": {}} for one in media}
    return {"responses": {200: {"description": "The file", "content": content}}}
