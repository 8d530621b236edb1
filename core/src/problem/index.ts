export { PROBLEM_CODES, type Problem } from './problem'
