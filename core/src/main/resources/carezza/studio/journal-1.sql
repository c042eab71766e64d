-- Times are milliseconds since 1970, lengths milliseconds.
CREATE TABLE picture (
  id TEXT PRIMARY KEY,
  title TEXT NOT NULL,
  photograph TEXT NOT NULL,
  job TEXT NOT NULL,
  estimate REAL NOT NULL,
  as_shot BLOB,
  finished BLOB
);
CREATE TABLE span (
  picture TEXT NOT NULL REFERENCES picture (id),
  start INTEGER NOT NULL,
  active INTEGER NOT NULL,
  waiting INTEGER NOT NULL,
  phase TEXT NOT NULL,
  layer TEXT,
  kind TEXT,
  in_hand TEXT NOT NULL,
  PRIMARY KEY (picture, start)
);
CREATE TABLE entry (
  picture TEXT NOT NULL REFERENCES picture (id),
  at INTEGER NOT NULL,
  type TEXT NOT NULL,
  content TEXT NOT NULL
);
CREATE INDEX span_by_start ON span (start);
CREATE INDEX entry_by_picture ON entry (picture, at);
