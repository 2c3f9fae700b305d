"""PostgreSQL's write-ahead log: segments, records, timelines, and folders that hold them."""
