-- What the products of a type have, told before there are any: from this a sample is made that stands in for them.
ALTER TABLE product_type ADD fields JSON NOT NULL DEFAULT '{}';
