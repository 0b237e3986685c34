-- Ids of garden files are compared letter by letter, as the files' own checks do: "m" and "M" are two, and so are emoji.
ALTER TABLE place MODIFY ref VARCHAR(220) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL COMMENT 'its id in garden files';
ALTER TABLE mix MODIFY ref VARCHAR(220) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL COMMENT 'its id in garden files';
ALTER TABLE component MODIFY ref VARCHAR(220) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL;
ALTER TABLE mix_part MODIFY component_ref VARCHAR(220) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL COMMENT 'a built-in component or one of the collection';
ALTER TABLE plant MODIFY ref VARCHAR(220) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL COMMENT 'its id in garden files';
