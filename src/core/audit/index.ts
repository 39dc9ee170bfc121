export { AUDIT_PAGE, wordAudit, type AuditEntry, type AuditFacts, type ReadAuditEntry } from './word-audit';
