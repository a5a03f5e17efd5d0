/** Statements that make a table refuse to change or lose a row. */
export const appendOnly = (table: string): string[] => [
  `create trigger ${table}_no_update before update on ${table} begin select raise(abort, '${table} is append-only'); end`,
  `create trigger ${table}_no_delete before delete on ${table} begin select raise(abort, '${table} is append-only'); end`,
];
