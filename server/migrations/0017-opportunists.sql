-- Kinds that grow whenever it is warm and wet.
ALTER TABLE plant MODIFY habit ENUM('summer', 'winter', 'spring-autumn', 'evergreen', 'opportunist') NULL;
