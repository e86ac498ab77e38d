-- What is in the van, by the keys of the pick list: the company's, whatever job it is taken for.

CREATE TABLE IF NOT EXISTS van_stock (
  item_key VARCHAR(200) NOT NULL,
  count INT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  PRIMARY KEY (item_key)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;
