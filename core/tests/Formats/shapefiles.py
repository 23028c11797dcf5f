# Writes shapefiles with GDAL, zips them, and prints what GDAL reads of them. input: {"to": folder}
import os, zipfile
from osgeo import ogr, osr
ogr.UseExceptions(); osr.UseExceptions()
to = input['to']
driver = ogr.GetDriverByName('ESRI Shapefile')

def system(epsg):
    s = osr.SpatialReference()
    s.ImportFromEPSG(epsg)
    return s

def layer(name, kind, epsg, fields, rows, encoding='UTF-8'):
    ds = driver.CreateDataSource(f'{to}/{name}.shp')
    l = ds.CreateLayer(name, system(epsg), kind, [f'ENCODING={encoding}'])
    for field, type in fields:
        l.CreateField(ogr.FieldDefn(field, type))
    for wkt, values in rows:
        f = ogr.Feature(l.GetLayerDefn())
        f.SetGeometry(ogr.CreateGeometryFromWkt(wkt))
        for field, value in values.items():
            f.SetField(field, value)
        l.CreateFeature(f)
    ds = None

lines = [('LINESTRING Z (1000 2000 4.5, 1010 2000 4.6, 1010.125 2030 4.75)', {'TYPE': 'kerb', 'NAME': 'K “1”', 'DIA': None}),
         ('MULTILINESTRING Z ((1 2 3, 4 6 3), (100 100 1, 103 104 2))', {'TYPE': 'drain', 'NAME': 'Rohr Süd', 'DIA': 300.5}),
         ('LINESTRING Z (0 0 0, 7 24 0)', {'TYPE': 'kerb', 'NAME': '', 'DIA': 1})]
fields = [('TYPE', ogr.OFTString), ('NAME', ogr.OFTString), ('DIA', ogr.OFTReal)]
layer('yard', ogr.wkbLineString25D, 32632, fields, lines)
layer('alt', ogr.wkbLineString25D, 32632, fields, [(w, {**v, 'NAME': v['NAME'].replace('“', '').replace('”', '')}) for w, v in lines], 'CP1252')
layer('plots', ogr.wkbPolygon, 32632, [('ID', ogr.OFTInteger)],
      [('POLYGON ((0 0, 0 40, 30 40, 30 0, 0 0), (5 5, 8 5, 8 9, 5 9, 5 5))', {'ID': 7})])
layer('trees', ogr.wkbPoint, 32632, [('NAME', ogr.OFTString), ('ELEV', ogr.OFTReal), ('KIND', ogr.OFTString)],
      [('POINT (500123.5 5400200.25)', {'NAME': 'Ä 1', 'ELEV': 12.5, 'KIND': 'oak'}), ('POINT (500125 5400201)', {'NAME': 'B', 'KIND': 'lime'})])
layer('marks', ogr.wkbPoint25D, 32632, [], [('POINT Z (1 2 3)', {}), ('POINT Z (4 5 6)', {})])
layer('groups', ogr.wkbMultiPoint, 32632, [], [('MULTIPOINT (1 2, 3 4)', {})])
layer('feet', ogr.wkbLineString, 2249, [], [('LINESTRING (800000 3000000, 800100 3000000)', {})])
layer('globe', ogr.wkbPoint, 4326, [], [('POINT (9 48)', {})])
for name in ['yard', 'alt', 'plots', 'trees', 'marks', 'groups', 'feet', 'globe']:
    with zipfile.ZipFile(f'{to}/{name}.zip', 'w', zipfile.ZIP_DEFLATED) as z:
        for e in ['shp', 'shx', 'dbf', 'prj', 'cpg']:
            if os.path.exists(f'{to}/{name}.{e}'):
                z.write(f'{to}/{name}.{e}', f'export/{name}.{e}')
with zipfile.ZipFile(f'{to}/all.zip', 'w') as z:
    for name in ['yard', 'plots', 'trees']:
        for e in ['shp', 'dbf', 'prj', 'cpg']:
            z.write(f'{to}/{name}.{e}', f'{name}.{e}')

sums = {}
ds = ogr.Open(f'{to}/yard.shp')
for f in ds.GetLayer(0):
    sums[f['TYPE']] = sums.get(f['TYPE'], 0) + f.GetGeometryRef().Length()
print(json.dumps({'lengths': sums, 'metres': system(2249).GetLinearUnits()}))
