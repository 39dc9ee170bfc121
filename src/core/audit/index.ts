export { wordAudit, type AuditEntry, type AuditFacts, type ReadAuditEntry } from './word-audit';
