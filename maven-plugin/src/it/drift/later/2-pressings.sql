CREATE TABLE pressing (
    id INT PRIMARY KEY, press_id INT NOT NULL REFERENCES press (id), bars NUMERIC(4, 1) CHECK (bars > 0));
