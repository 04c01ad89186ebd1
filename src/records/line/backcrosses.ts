/**
 * How often the cross that the line `l` of a query came of went back to one parent: once for (A × B) × A, twice for that
 * crossed with A again. From either parent down the other's descent, as long as the one is found in it.
 */
export const BACKCROSSES = `CASE WHEN l.motherLineId IS NULL OR l.fatherLineId IS NULL THEN 0 ELSE (
    WITH RECURSIVE back(again, rest, times) AS (
      SELECT l.fatherLineId, l.motherLineId, 0 UNION ALL SELECT l.motherLineId, l.fatherLineId, 0
      UNION ALL SELECT again, iif(r.motherLineId = again, r.fatherLineId, r.motherLineId), times + 1
        FROM back JOIN line r ON r.id = rest
        WHERE (r.motherLineId = again) + (r.fatherLineId = again) = 1 AND times < 40)
    SELECT max(times) FROM back) END backcrosses`;
