import { doneAsTold } from './at-the-keys'

doneAsTold(0)
