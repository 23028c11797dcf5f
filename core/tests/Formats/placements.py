# Placements by matrices of four by four: where the corners of a unit box come to lie.
import numpy as np

def unit(v):
    return np.array(v, float) / np.linalg.norm(v)

def axes(a):
    m = np.eye(4)
    z = unit(a["z"])
    x = np.array(a["x"], float)
    x = unit(x - z * (x @ z))
    m[:3, 0], m[:3, 1], m[:3, 2], m[:3, 3] = x, np.cross(z, x), z, np.array(a["at"]) / 1000
    return m

def operator(o):
    m = np.eye(4)
    z = unit(o["z"])
    x = np.array(o["x"], float)
    x = unit(x - z * (x @ z))
    y = np.array(o["y"], float)
    y = unit(y - z * (y @ z) - x * (y @ x))
    m[:3, 0], m[:3, 1], m[:3, 2], m[:3, 3] = x * o["scale"][0], y * o["scale"][1], z * o["scale"][2], np.array(o["at"]) / 1000
    return m

found = []
box = np.array([[x, y, z, 1] for x in (-0.5, 0.5) for y in (-0.5, 0.5) for z in (0, 1)]).T
for case in input:
    m = np.eye(4)
    for a in case["places"]:
        m = m @ axes(a)
    if case["operator"]:
        m = m @ operator(case["operator"]) @ axes(case["origin"])
    m = m @ axes(case["solid"])
    found.append((m @ box)[:3].T.tolist())
print(json.dumps(found))
