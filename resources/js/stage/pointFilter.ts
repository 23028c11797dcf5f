/** Which points are listed, beside what is searched for. */
export interface Filter {
    code: string | null;
    origin: string | null;
    state: 'all' | 'open' | 'redo' | 'done' | 'shared';
    /** names from one to another, in their natural order */
    first: string;
    last: string;
    /** in its name, code, description, or where it comes from (the layer is told there) */
    words?: string;
}
