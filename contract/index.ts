// Records
export { ROLES, academy, bar, coffee, grinder, person, vessel } from './academy.ts'
export type { Academy, Bar, Coffee, Grinder, Person } from './academy.ts'
export { recipeRevision, recipeTargets } from './recipe.ts'
export type { RecipeRevision } from './recipe.ts'
export { shotFacts } from './shotFacts.ts'
export {
  correctionInput,
  shotDetail,
  shotInput,
  shotList,
  shotListQuery,
  shotRevision,
  shotSummary,
} from './shot.ts'
export type {
  CorrectionInput,
  ShotDetail,
  ShotInput,
  ShotList,
  ShotListQuery,
  ShotRevision,
  ShotSummary,
} from './shot.ts'
export { today } from './today.ts'
export type { Today } from './today.ts'
export { academyFile } from './academyFile.ts'
export type { AcademyFile } from './academyFile.ts'
// The wire
export { API_BASE, ENDPOINTS } from './endpoints.ts'
export type { Endpoint, Endpoints } from './endpoints.ts'
export { PROBLEM_CODES, PROBLEM_MEDIA_TYPE, PROBLEM_STATUS, fieldErrors, problem } from './problem.ts'
export type { FieldError, Problem, ProblemCode } from './problem.ts'
// Bounds
export { BOUNDS, DEFAULT_PAGE_SIZE, MAX_BODY_BYTES } from './bounds.ts'
