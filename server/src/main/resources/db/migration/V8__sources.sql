-- sources are published ones, a named person's word, or a house rule on the rules page
update screening set assessment = regexp_replace(assessment, concat('"source":"[^"]*hand', 'book[^"]*"'), '"source":"house rule"')
where assessment like concat('%hand', 'book%');
update today_check set result = regexp_replace(result, concat('"source":"[^"]*hand', 'book[^"]*"'), '"source":"house rule"')
where result like concat('%hand', 'book%');
