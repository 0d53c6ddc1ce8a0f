"""Reads an export by its own schema alone, and recomputes three numbers of it.

Usage: python3 tests/read_export.py putts.zip
Prints JSON: putts that count, those that passed, by student the mean of the start windows now (rad), their putter in use, and
how many set-up cards there are. Every table is read through, and what names a row of another finds it.
"""

import csv
import io
import json
import sys
import zipfile

CASTS = {
    "string": str,
    "number": float,
    "integer": int,
    "boolean": lambda text: {"true": True, "false": False}[text],
    "datetime": str,
    "object": json.loads,
}


def table(archive, package, name):
    """Rows of a table, each value as its schema says."""
    resource = next(one for one in package["resources"] if one["name"] == name)
    fields = resource["schema"]["fields"]
    missing = resource["schema"]["missingValues"]
    with archive.open(resource["path"]) as raw:
        text = io.TextIOWrapper(raw, encoding=resource["encoding"], newline="")
        reader = csv.reader(text, delimiter=resource["dialect"]["delimiter"])
        heading = next(reader)
        assert heading == [field["name"] for field in fields], heading
        for row in reader:
            assert len(row) == len(fields), row
            yield {
                field["name"]: None if cell in missing else CASTS[field["type"]](cell)
                for field, cell in zip(fields, row)
            }


def main(path):
    with zipfile.ZipFile(path) as archive:
        package = json.loads(archive.read("datapackage.json"))
        tables = {
            one["name"]: (one["schema"]["primaryKey"], list(table(archive, package, one["name"])))
            for one in package["resources"]
        }
        for name, (key, rows) in tables.items():
            keys = [tuple(row[column] for column in key) for row in rows]
            assert len(keys) == len(set(keys)), f"a key of {name} is there twice"
            assert all(cell is not None for one in keys for cell in one), f"a key of {name} is empty"
        for of, (key, rows) in tables.items():
            named = key[0]
            known = {row[named] for row in rows} if len(key) == 1 and of not in ("putters",) else None
            for name, (_, others) in tables.items():
                if known is None or name == of:
                    continue
                strange = {row[named] for row in others if named in row} - known
                assert not strange, f"{name} names {named}s that are not there: {strange}"
        in_use = {row["student"]: row["name"] for row in tables["putters"][1] if row["in_use"]}
        putts = [putt for putt in table(archive, package, "putts") if putt["counts"]]
        latest = {}
        for score in table(archive, package, "scores"):
            if score["quantity"] == "start" and score["method"] == "carried":
                known = latest.get(score["student"])
                if known is None or known["at"] < score["at"]:
                    latest[score["student"]] = score
        names = {row["student"]: row["name"] for row in table(archive, package, "students")}
        print(
            json.dumps(
                {
                    "putts": len(putts),
                    "passed": sum(putt["passed"] is True for putt in putts),
                    "cards": len(tables["cards"][1]),
                    "putters": {names[student]: name for student, name in in_use.items()},
                    "windows": {names[student]: score["window"] for student, score in latest.items()},
                }
            )
        )


if __name__ == "__main__":
    main(sys.argv[1])
