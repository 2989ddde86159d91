-- By their names people are told apart in records: of those of one office who share one, all but the first are numbered.
UPDATE "accounts" a SET "name" = a."name" || ' (' || r.n || ')' FROM (
  SELECT id, row_number() OVER (PARTITION BY office, lower(regexp_replace(name, '\s+', '', 'g')) ORDER BY id) AS n FROM "accounts"
) r WHERE r.id = a.id AND r.n > 1;
