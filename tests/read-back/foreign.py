"""Reads written files with nothing but Python's standard library, and prints [name, colour] pairs as JSON.

python3 foreign.py KIND FILE...: one list a file. A colour is CSS, or four numbers 0..255.
"""
import ast, configparser, csv, ctypes, io, json, re, struct, sys, zipfile
import xml.etree.ElementTree as ET

SIXTEEN = range(16)


def local(element):
    return element.tag.rsplit("}", 1)[-1]


def attribute(element, name):
    return next(value for key, value in element.attrib.items() if key.rsplit("}", 1)[-1] == name)


def xml(path, tag):
    return [[attribute(e, "name"), e.text] for e in ET.parse(path).iter() if local(e) == tag]


def resources(path):
    return [
        [e.get("name"), e.text + ("" if e.get("opacity") is None else format(int(e.get("opacity")), "02x"))]
        for e in ET.parse(path).iter()
        if local(e) == "colour"
    ]


def android(path):
    def css(text):
        return text if len(text) == 7 else "#" + text[3:] + text[1:3]

    return [[name, css(text)] for name, text in xml(path, "color")]


def colour_table(path):
    return [[attribute(e, "name"), attribute(e, "color")] for e in ET.parse(path).iter() if local(e) == "color"]


def drawing(path):
    return [[e[0].text, e.get("fill")] for e in ET.parse(path).iter() if local(e) == "rect"]


def ini(path):
    parser = configparser.ConfigParser(interpolation=None, delimiters=("=",))
    parser.optionxform = str
    parser.read(path, encoding="utf-8")
    return {section: [[key, value] for key, value in parser.items(section)] for section in parser.sections()}


def toml(path):
    import tomllib

    with open(path, "rb") as file:
        return {theme: list(table.items()) for theme, table in tomllib.load(file).items()}


def table(path):
    with open(path, newline="", encoding="utf-8") as file:
        return [[row["name"], [int(row["red"]), int(row["green"]), int(row["blue"]), 255]] for row in csv.DictReader(file)]


def hex_list(path):
    return [["", [*bytes.fromhex(line.strip()), 255]] for line in open(path)]


def text_palette(path):
    lines = [line.rstrip("\n") for line in open(path, encoding="utf-8", newline="\n")][3:]
    rows = [line for line in lines if not line.startswith("#")]
    return [[row.split("\t", 1)[1], [*map(int, row.split("\t", 1)[0].split()), 255]] for row in rows]


def riff(path):
    data = open(path, "rb").read()
    kind, size, form, chunk, length, version, count = struct.unpack_from("<4sI4s4sIHH", data)
    assert (kind, form, chunk, version) == (b"RIFF", b"PAL ", b"data", 0x300) and size + 8 == len(data), "header"
    return [["", [*struct.unpack_from("<3B", data, 24 + 4 * at), 255]] for at in range(count)]


def exchange(path):
    data = open(path, "rb").read()
    kind, _, _, blocks = struct.unpack_from(">4sHHI", data)
    assert kind == b"ASEF", "header"
    at, found = 12, []
    for _ in range(blocks):
        block, length = struct.unpack_from(">HI", data, at)
        if block == 1:
            (units,) = struct.unpack_from(">H", data, at + 6)
            name = data[at + 8 : at + 6 + 2 * units].decode("utf-16-be")
            model, r, g, b = struct.unpack_from(">4s3f", data, at + 8 + 2 * units)
            assert model == b"RGB ", "model"
            found.append([name, [*(round(255 * c) for c in (r, g, b)), 255]])
        at += 6 + length
    assert at == len(data), "length"
    return found


def colour_swatches(path):
    data = open(path, "rb").read()
    version, count = struct.unpack_from(">HH", data)
    assert version == 1, "version"
    at, found = 4 + 10 * count, []
    version, again = struct.unpack_from(">HH", data, at)
    assert (version, again) == (2, count), "second version"
    at += 4
    for _ in range(count):
        space, r, g, b, _, units = struct.unpack_from(">5HI", data, at)
        assert space == 0, "space"
        at += 14
        name = data[at : at + 2 * units].decode("utf-16-be").rstrip("\0")
        at += 2 * units
        found.append([name, [*(round(c / 257) for c in (r, g, b)), 255]])
    return found


def office(path):
    with zipfile.ZipFile(path) as package:
        assert package.testzip() is None
        for name in package.namelist():
            if name.endswith((".xml", ".rels")):
                ET.fromstring(package.read(name))
        part = next(name for name in package.namelist() if name.endswith("theme1.xml"))
        scheme = next(e for e in ET.fromstring(package.read(part)).iter() if local(e) == "clrScheme")
        return [[local(place), "#" + place[0].get("val").lower()] for place in scheme]


def style(path):
    found = []
    for line in open(path, encoding="utf-8"):
        key, _, value = line.partition("#")[0].partition(":")
        if key == "axes.prop_cycle":
            call = ast.parse(value.strip(), mode="eval").body
            found += [["series", "#" + code] for code in ast.literal_eval(call.args[1])]
        elif key.strip():
            found.append([key.strip(), "#" + value.strip()])
    return found


def resource_database(path):
    """The X library's own resource manager, as terminals ask it."""
    x = ctypes.CDLL("libX11.so.6")
    x.XrmGetFileDatabase.restype = ctypes.c_void_p
    x.XrmInitialize()
    database = x.XrmGetFileDatabase(path.encode())
    assert database, "not read"

    class Value(ctypes.Structure):
        _fields_ = [("size", ctypes.c_uint), ("address", ctypes.c_char_p)]

    def ask(name):
        kind, value = ctypes.c_char_p(), Value()
        args = (ctypes.c_void_p(database), f"xterm.vt100.{name}".encode(), f"XTerm.VT100.{name.capitalize()}".encode())
        assert x.XrmGetResource(*args, ctypes.byref(kind), ctypes.byref(value)), name
        return value.address.decode()

    return [[name, ask(name)] for name in ["background", "foreground", "cursorColor", *(f"color{at}" for at in SIXTEEN)]]


def console(path):
    rows = [list(map(int, line.split(","))) for line in open(path)]
    assert [len(row) for row in rows] == [16, 16, 16]
    return [[f"color{at}", [*(row[at] for row in rows), 255]] for at in SIXTEEN]


KINDS = {
    "dashboard": lambda path: xml(path, "token"),
    "resources": resources,
    "android": android,
    "soc": colour_table,
    "svg": drawing,
    "ini": ini,
    "toml": toml,
    "csv": table,
    "hex": hex_list,
    "gpl": text_palette,
    "riff": riff,
    "ase": exchange,
    "aco": colour_swatches,
    "office": office,
    "style": style,
    "xrdb": resource_database,
    "console": console,
}

if __name__ == "__main__":
    kind, *paths = sys.argv[1:]
    json.dump([KINDS[kind](path) for path in paths], sys.stdout)
