export { type Register, TRUST_STATES, type TrustState } from './register'
export { adviceForRegister } from './register-advice'
export { WARNING_CODES, type Warning, isRemark } from './warning'
