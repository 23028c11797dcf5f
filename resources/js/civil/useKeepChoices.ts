import { api, ask, type Project, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';

/** Keeps which surface is worked with, and how alignments are drawn and their points called. */
export const useKeepChoices = (project: Project) =>
    useDeed(project.id, (body: Schemas['CivilChoices']) =>
        ask(api.PUT('/api/v1/projects/{project}/civil', { params: { path: { project: project.id } }, body })),
    );
