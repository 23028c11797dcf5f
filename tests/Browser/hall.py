import ezdxf

# A hall on the site of the demo control, in millimetres, with the control drawn in it; the revision moves a footing, drops one and adds a pit.
control = {'CP1': (41220.271, 78607.833), 'CP2': (41315.046, 78640.240), 'CP3': (41297.079, 78703.998), 'CP4': (41244.661, 78692.689)}
for path, revised in ((input['first'], False), (input['second'], True)):
    doc = ezdxf.new('R2013')
    doc.units = 4
    msp = doc.modelspace()
    for name, colour in (('FOOTINGS', 5), ('CONTROL', 1), ('OLD', 6), ('NOTES', 2)):
        doc.layers.add(name, color=colour)
    doc.layers.get('OLD').freeze()
    at = lambda e, n: (e * 1000, n * 1000)
    for i in range(5):
        for k in range(3):
            if revised and (i, k) == (4, 2):
                continue
            e, n = 41250 + 9 * i + (0.15 if revised and (i, k) == (1, 1) else 0), 78640 + 10 * k
            msp.add_circle(at(e, n), 300, dxfattribs={'layer': 'FOOTINGS'})
            msp.add_lwpolyline([at(e - 1, n - 1), at(e + 1, n - 1), at(e + 1, n + 1), at(e - 1, n + 1)], close=True, dxfattribs={'layer': 'FOOTINGS'})
    if revised:
        msp.add_circle(at(41260, 78675), 2000, dxfattribs={'layer': 'FOOTINGS'})
    for name, (e, n) in control.items():
        msp.add_point(at(e, n), dxfattribs={'layer': 'CONTROL'})
        msp.add_text(name, dxfattribs={'layer': 'CONTROL', 'height': 800, 'insert': at(e + 0.5, n + 0.5)})
    msp.add_text('9.000', dxfattribs={'layer': 'NOTES', 'height': 500, 'insert': at(41253, 78640.4)})
    msp.add_circle((0, 0), 500, dxfattribs={'layer': 'NOTES'})
    msp.add_line(at(41240, 78630), at(41250, 78630), dxfattribs={'layer': 'OLD'})
    doc.saveas(path)
print('0')
