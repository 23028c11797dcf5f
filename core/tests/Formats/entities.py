import ezdxf, math
from ezdxf.math import Vec3, OCS, ConstructionEllipse
from ezdxf.enums import TextEntityAlignment

old = input['version'] == 'R12'
doc = ezdxf.new(input['version'])
doc.units = 6
msp = doc.modelspace()
cases, texts, colours = {}, {}, {}

def layer(name, **kw):
    doc.layers.add(name, **kw)
    return {'layer': name}

def xy(points):
    return [[p.x, p.y] for p in points]

def length(points):
    points = list(points)
    return sum(math.hypot(b.x - a.x, b.y - a.y) for a, b in zip(points, points[1:]))

def case(name, pieces, points, long=None, faces=None):
    cases[name] = {'pieces': pieces, 'points': xy(points), 'length': long, 'faces': faces}

def ellipse_points(e, n):
    a, b = e.dxf.start_param, e.dxf.end_param
    b = b if b > a else b + 2 * math.pi
    return list(e.vertices([a + (b - a) * i / n for i in range(n + 1)]))

e = msp.add_circle((10, 20, 3), 5, dxfattribs=layer('circle tilted') | {'extrusion': (0.3, 0.2, 0.9)})
case('circle tilted', 2, [*e.vertices(range(0, 360, 20)), e.ocs().to_wcs(e.dxf.center)])
e = msp.add_arc((10, 20, 3), 5, 30, 200, dxfattribs=layer('arc tilted') | {'extrusion': (-1, 0.2, 0.4)})
case('arc tilted', 1, e.vertices(range(30, 201, 10)))
e = msp.add_arc((10, 20, 3), 5, 30, 200, dxfattribs=layer('arc from below') | {'extrusion': (0, 0, -1)})
case('arc from below', 1, e.vertices(range(30, 201, 10)), math.radians(170) * 5)
e = msp.add_circle((10, 20, 3), 5, dxfattribs=layer('circle upright') | {'extrusion': (1, 1, 0)})
case('circle upright', 2, [*e.vertices(range(0, 360, 20)), e.ocs().to_wcs(e.dxf.center)], 10)
e = msp.add_polyline3d([(0, 0, 1), (5, 1, 2), (7, 8, 9)], close=True, dxfattribs=layer('polyline 3d'))
case('polyline 3d', 3, e.points(), length([*e.points(), list(e.points())[0]]))
faces = [(0, 0, 0), (4, 0, 1), (4, 5, 2), (0, 5, 1)]
e = msp.add_3dface(faces, dxfattribs=layer('face'))
case('face', 4, [Vec3(p) for p in faces], 18)
e = msp.add_3dface(faces[:3], dxfattribs=layer('face of three') | {'invisible': 1})
case('face of three', 2, [Vec3(p) for p in faces[1:3]], 5 + math.hypot(4, 5))
e = msp.add_trace([(10, 0), (14, 0), (10, 3), (14, 3)], dxfattribs=layer('trace'))
case('trace', 4, [Vec3(12, 0), Vec3(14, 1), Vec3(12, 3), Vec3(10, 1)], 14)
e = msp.add_solid([(0, 0), (4, 0), (0, 3), (4, 3)], dxfattribs=layer('solid'))
case('solid', 4, [Vec3(2, 0), Vec3(4, 1), Vec3(2, 3), Vec3(0, 1)], 14)
mesh = msp.add_polymesh((3, 4), dxfattribs=layer('mesh') | {'m_close': 0})
for i in range(3):
    for k in range(4):
        mesh.set_mesh_vertex((i, k), (10 * i, 7 * k, i + k))
case('mesh', 3 * 3 + 2 * 4, [Vec3(10, 7), Vec3(20, 21), Vec3(5, 0)], 9 * 7 + 8 * 10)
from ezdxf.render import forms
cube = forms.cube(center=False)
cube.render_polyface(msp, dxfattribs=layer('polyface'))
case('polyface', 12, [Vec3(0, 0), Vec3(1, 1), Vec3(.5, 0), Vec3(0, .5)], 8, faces=12)
if not old:
    m = msp.add_mesh(dxfattribs=layer('mesh of faces'))
    with m.edit_data() as data:
        data.vertices = [(40, 0, 1), (44, 0, 1), (44, 3, 2), (40, 3, 2), (42, 6, 3)]
        data.faces = [(0, 1, 2, 3), (3, 2, 4)]
    case('mesh of faces', 6, [Vec3(42, 0), Vec3(44, 1.5), Vec3(42, 3), Vec3(41, 4.5)], faces=3)
    style = doc.mline_styles.new('THREE')
    for offset in (1.5, 0.0, -0.5):
        style.elements.append(offset)
    for name, closed in (('multiline', False), ('multiline closed', True)):
        ml = msp.add_mline([(50, 0), (60, 0), (60, 8), (66, 14)], close=closed, dxfattribs=layer(name) | {'style_name': 'THREE', 'scale_factor': 0.8, 'justification': 1})
        lines = [e for e in ml.virtual_entities() if e.dxftype() == 'LINE']
        case(name, len(lines), [p for e in lines for p in (e.dxf.start, e.dxf.end, e.dxf.start.lerp(e.dxf.end))], sum((e.dxf.end - e.dxf.start).magnitude for e in lines))
from ezdxf.render import MeshBuilder
tent = MeshBuilder()
tent.add_mesh(vertices=[(20, 0, 0), (26, 0, 0), (20, 6, 0), (20, 0, 3)], faces=[(0, 1, 2), (0, 1, 3), (1, 2, 3), (2, 0, 3)])
tent.render_polyface(msp, dxfattribs=layer('polyface of three'))
case('polyface of three', 6, [Vec3(20, 0), Vec3(26, 0), Vec3(20, 6), Vec3(23, 3), Vec3(23, 0)], 4 * 6 + math.hypot(6, 6), faces=4)

block = doc.blocks.new('PLATE', base_point=(1, 1))
block.add_circle((2, 1), 0.5, dxfattribs={'layer': '0'})
block.add_line((0, 0), (3, 0), dxfattribs={'layer': '0', 'color': 0})
block.add_line((0, 0), (0, 2), dxfattribs={'layer': '0', 'color': 3})
def insert(name, color=256, **kw):
    e = msp.add_blockref('PLATE', (50, 60, 2), dxfattribs=layer(name, color=5) | kw | {'color': color})
    m, points = e.matrix44(), []
    for row in range(max(1, kw.get('row_count', 1))):
        for col in range(max(1, kw.get('column_count', 1))):
            # Rows and columns run along the turned axes and are not scaled.
            shift = OCS(e.dxf.extrusion).to_wcs(Vec3(col * kw.get('column_spacing', 0), row * kw.get('row_spacing', 0)).rotate_deg(kw.get('rotation', 0)))
            circle = ezdxf.math.ConstructionArc((2, 1), 0.5, 0, 360)
            points += [m.transform(Vec3(p)) + shift for p in list(circle.vertices(range(0, 360, 30))) + [(0, 0), (3, 0), (0, 2)]]
    # The centre of a circle that leans is a point of its own.
    case(name, 3 * max(1, kw.get('row_count', 1)) * max(1, kw.get('column_count', 1)) + ('extrusion' in kw), points)
insert('insert turned', rotation=30)
insert('insert mirrored', rotation=30, xscale=-2, yscale=2)
insert('insert uneven', rotation=75, xscale=3, yscale=0.5, zscale=2)
insert('insert arrayed', rotation=20, xscale=2, yscale=2, row_count=2, column_count=3, row_spacing=9, column_spacing=11)
insert('insert tilted', rotation=20, extrusion=(0.5, 0.1, 0.8))
insert('by block', color=1)
colours['by block'] = [0x0000ff, 0xff0000, 0x00ff00]
colours['insert turned'] = [0x0000ff, 0x0000ff, 0x00ff00]

msp.add_text('Höhe ±0' if not old else 'Level %%p0', dxfattribs=layer('text') | {'height': 2.5, 'insert': (5, 6)})
case('text', 1, [Vec3(5, 6)])
texts['text'] = 'Höhe ±0' if not old else 'Level ±0'
doc.layers.add('aligned')
msp.add_text('Mitte', dxfattribs={'layer': 'aligned', 'height': 1}).set_placement((7, 8), align=TextEntityAlignment.MIDDLE_CENTER)
case('aligned', 1, [Vec3(7, 8)])
for name, kw in (('off', {}), ('frozen', {}), ('locked', {})):
    l = doc.layers.add(name)
    getattr(l, {'off': 'off', 'frozen': 'freeze', 'locked': 'lock'}[name])()
    msp.add_point((1, 2, 3), dxfattribs={'layer': name})
tag = doc.blocks.new('TAG')
tag.add_point((0, 0))
tag.add_attdef('NR', (1, 1))
ref = msp.add_blockref('TAG', (30, 40), dxfattribs=layer('tagged'))
ref.add_attrib('NR', 'C-14', (31, 41), dxfattribs={'layer': doc.layers.add('tag').dxf.name, 'height': 1})
case('tag', 1, [Vec3(31, 41)])
texts['tag'] = 'C-14'

if not old:
    e = msp.add_lwpolyline([(0, 0, 0.5), (10, 0, -0.2), (10, 8, 0)], format='xyb', close=True, dxfattribs=layer('lwpolyline tilted') | {'elevation': 4, 'extrusion': (0.2, -0.5, 0.7)})
    ocs = e.ocs()
    arcs = [v for v in e.virtual_entities()]
    pts = []
    for v in arcs:
        if v.dxftype() == 'LINE':
            pts += [v.dxf.start, v.dxf.end]
        else:
            n = v.dxf.end_angle if v.dxf.end_angle > v.dxf.start_angle else v.dxf.end_angle + 360
            pts += list(v.vertices([v.dxf.start_angle + (n - v.dxf.start_angle) * i / 9 for i in range(10)]))
    case('lwpolyline tilted', 3, pts)
    e = msp.add_ellipse((20, 30, 1), (6, 2, 0), 0.4, dxfattribs=layer('ellipse'))
    case('ellipse', 1, ellipse_points(e, 30), length(ellipse_points(e, 20000)))
    e = msp.add_ellipse((20, 30, 1), (6, 2, 0), 0.4, 0.7, 5.1, dxfattribs=layer('ellipse part'))
    case('ellipse part', 1, ellipse_points(e, 30), length(ellipse_points(e, 20000)))
    e = msp.add_ellipse((20, 30, 1), (6, 2, 3), 0.4, 0.7, 5.1, dxfattribs=layer('ellipse tilted') | {'extrusion': Vec3(6, 2, 3).cross((1, 4, 2))})
    case('ellipse tilted', 1, ellipse_points(e, 30))
    pts = [(0, 0, 0), (3, 9, 1), (12, 4, 2), (15, -6, 3), (22, 3, 4), (30, 0, 5)]
    def spline(name, s):
        t = s.construction_tool()
        n = t.max_t
        case(name, 1, list(t.points([n * i / 40 for i in range(41)])), length(t.points([n * i / 20000 for i in range(20001)])))
    s = msp.add_spline(dxfattribs=layer('spline')); s.set_open_uniform(pts); spline('spline', s)
    s = msp.add_spline(dxfattribs=layer('spline rational') | {'degree': 3}); s.set_open_rational(pts, [1, 2, 0.5, 3, 1, 1]); spline('spline rational', s)
    s = msp.add_spline(dxfattribs=layer('spline of degree 2')); s.set_open_uniform(pts, degree=2); spline('spline of degree 2', s)
    s = msp.add_spline(fit_points=pts, dxfattribs=layer('spline by points'))
    case('spline by points', 1, [Vec3(p) for p in pts])

    h = msp.add_hatch(dxfattribs=layer('hatch'))
    h.paths.add_polyline_path([(0, 0, 0), (9, 0, 1), (9, 6, 0), (0, 6, 0)], is_closed=True)
    case('hatch', 4, [Vec3(4, 0), Vec3(12, 3), Vec3(0, 3)], 9 + math.pi * 3 + 9 + 6)
    h = msp.add_hatch(dxfattribs=layer('hatch of edges'))
    p = h.paths.add_edge_path()
    p.add_line((0, 0), (10, 0))
    p.add_arc((10, 5), 5, -90, 90, ccw=True)
    p.add_arc((5, 10), 5, 0, 180, ccw=True)
    p.add_ellipse((0, 5), (0, 5), 0.5, 0, 180, ccw=True)
    p.add_spline(control_points=[(0, 0), (2, 4), (5, 2), (8, 8)], degree=3, knot_values=[0, 0, 0, 0, 1, 1, 1, 1])
    q = p.edges[4]
    b = ezdxf.math.BSpline([(0, 0), (2, 4), (5, 2), (8, 8)])
    half = ConstructionEllipse((0, 5), (0, 5), (0, 0, 1), 0.5, 0, math.pi)
    case('hatch of edges', 5, [Vec3(5, 0), Vec3(15, 5), Vec3(5, 15), Vec3(10, 10), *half.vertices([i * math.pi / 10 for i in range(11)]), *b.points([i / 10 * b.max_t for i in range(11)])])
    h = msp.add_hatch(dxfattribs=layer('hatch clockwise'))
    p = h.paths.add_edge_path()
    p.add_arc((0, 0), 5, 20, 110, ccw=False)
    edge = p.edges[0]
    case('hatch clockwise', 1, [edge.start_point, edge.end_point, Vec3(5, 0).rotate_deg((edge.start_angle + edge.end_angle) / 2)])

    msp.add_mtext(r'{\fArial|b1;Achse}\PB\~4 \S1/2;  \U+2300 20', dxfattribs=layer('mtext') | {'insert': (3, 4), 'char_height': 1})
    case('mtext', 1, [Vec3(3, 4)])
    texts['mtext'] = 'Achse\nB 4 1/2  ⌀ 20'
    msp.add_leader([(0, 0), (3, 4), (6, 4)], dxfattribs=layer('leader'))
    case('leader', 2, [Vec3(0, 0), Vec3(3, 4), Vec3(5, 4)], 8)
    from ezdxf.render import ConnectionSide
    ml = msp.add_multileader_mtext('Standard', dxfattribs=layer('multileader'))
    ml.set_content('Anker M24', char_height=2)
    from ezdxf.math import Vec2
    ml.add_leader_line(ConnectionSide.left, [Vec2(-20, -15)])
    ml.build(insert=Vec2(5, 0))
    texts['multileader'] = 'Anker M24'
    dim = msp.add_linear_dim(base=(0, 5), p1=(0, 0), p2=(12, 0), dxfattribs=layer('dimension'))
    dim.render()
    picture = [e.dxftype() for e in dim.dimension.get_geometry_block()]
    if input['version'] > 'R2004':
        msp.add_line((0, 0), (1, 1), dxfattribs=layer('true colour') | {'true_color': 0x123456})
        msp.add_line((0, 0), (1, 2), dxfattribs={'layer': 'true colour', 'color': 1})
        msp.add_line((0, 0), (1, 3), dxfattribs={'layer': 'true colour'})
        doc.layers.get('true colour').rgb = (255, 128, 0)
        colours['true colour'] = [0x123456, 0xff0000, 0xff8000]
doc.saveas(input['file'], fmt=input['form'])
print(json.dumps({'picture': [] if old else picture, 'cases': cases, 'texts': texts, 'colours': colours}))
