CREATE TABLE vessel (id INT PRIMARY KEY, litres INT CHECK (litres > 0));
