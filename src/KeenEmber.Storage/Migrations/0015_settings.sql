-- Units, names and words of the company change what is shown, not what is judged; its policies do.
DROP TRIGGER standing_after_shop;
CREATE TRIGGER standing_after_shop AFTER UPDATE ON shop WHEN OLD.policies IS NOT NEW.policies
BEGIN
    UPDATE unit_standing SET changes = changes + 1, visits = '[]';
END;
