import { useUnits } from '../units/UnitsContext';
import { LengthField } from './Field';

export interface Place {
    northing: number | null;
    easting: number | null;
    elevation: number | null;
}

/** A place typed in: northing and easting in the project's order, and an elevation where one is known. */
export function PlaceFields({ place, onPlace }: { place: Place; onPlace: (part: Partial<Place>) => void }) {
    const { order } = useUnits();
    const pair = [
        <LengthField key="n" label="Northing" value={place.northing} onValue={(northing) => onPlace({ northing })} />,
        <LengthField key="e" label="Easting" value={place.easting} onValue={(easting) => onPlace({ easting })} />,
    ];
    return (
        <>
            {order === 'EN' ? pair.reverse() : pair}
            <LengthField
                label="Elevation"
                value={place.elevation}
                onValue={(elevation) => onPlace({ elevation })}
                optional
                hint="Leave empty where none is known."
            />
        </>
    );
}
