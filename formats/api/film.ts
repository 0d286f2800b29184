import { route } from './route';

const ROLL = '/api/jobs/{id}/film/{product}/{roll}';

/** What is cut from a roll for a job, by the nest that is kept with it. */
export const FILM_ROUTES = {
  cutPaper: route({
    method: 'get',
    path: `${ROLL}.pdf`,
    summary: 'What is cut from a roll: overview, measures for cutting by hand, and the whole at true scale',
    answer: { status: 200, media: 'application/pdf', name: 'cut-plan.pdf' },
    computed: true,
  }),
  cutSvg: route({
    method: 'get',
    path: `${ROLL}.svg`,
    summary: 'What is cut from a roll, as SVG, one unit a millimetre',
    answer: { status: 200, media: 'image/svg+xml', name: 'cut-plan.svg' },
    computed: true,
  }),
  cutDxf: route({
    method: 'get',
    path: `${ROLL}.dxf`,
    summary: 'What is cut from a roll, as DXF, in millimetres',
    answer: { status: 200, media: 'image/vnd.dxf', name: 'cut-plan.dxf' },
    computed: true,
  }),
  cutFilm: route({
    method: 'post',
    path: `${ROLL}/cut`,
    needs: 'work',
    audit: 'cut film for the job',
    summary: 'Cut the film nested for a job off its roll: drawn from stock, offcuts worth keeping taken in',
    answer: { status: 204 },
    problems: ['conflict'],
    changes: ['stock'],
  }),
};
