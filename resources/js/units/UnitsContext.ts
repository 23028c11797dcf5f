import { createContext, useContext } from 'react';
import type { Units } from '../api/client';

export const UnitsContext = createContext<Units>({ length: 'm', angle: 'dms', direction: 'azimuth', order: 'NE', station: '1+000' });

export const useUnits = () => useContext(UnitsContext);
