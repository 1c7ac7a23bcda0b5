<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\EntryKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the house forbids and no other tool looks at. */
final class ArchitectureTest extends TestCase
{
    private const ENGINES = [
        'Assessment', 'Findings', 'Handwork', 'Healing', 'Measures', 'Pattern', 'Planning', 'Response', 'Safety', 'Treatment',
    ];

    /** Lists of ids by the file that has them. */
    private const NAMED_BY_DATA = [
        'techniques' => 'techniques', 'tools' => 'tools', 'products' => 'products', 'muscles' => 'muscles', 'zones' => 'zones',
        'positions' => 'positions', 'tests' => 'tests', 'conditions' => 'conditions', 'movements' => 'movements', 'hazards' => 'hazards',
        'landmarks' => 'landmarks', 'setups' => 'setups', 'red_flags' => 'flags', 'demands' => 'demands',
    ];

    /** Words that mean something else there: a choice of the school, no answer, a key of the data, a set of zones, an attitude. */
    private const OTHER_MEANING = [
        'TargetBuilder' => ['low_back'], 'SituationReader' => ['cross_fibre'], 'PlanResult' => ['none'], 'Figures' => ['none'],
        'PatternResult' => ['none'], 'AtlasIndex' => ['none'],
        'TriggerPoint' => ['none'], 'NoneFigures' => ['night_waking'], 'NoneReader' => ['night_waking'],
        'ConditionRule' => ['swelling'], 'ConditionJudge' => ['pregnancy'], 'ToldAs' => ['swelling'], 'Conditions' => ['swelling'],
        'MeasureBook' => ['shin'], 'Checks' => ['seated', 'standing'], 'StepBuilder' => ['standing'],
        'Worklists' => ['seated', 'standing'], 'Tour' => ['seated', 'standing', 'supine', 'prone'],
    ];

    /** Folders whose classes use each other's, over however many others, are one folder that nobody can read alone. */
    #[DataProvider('houses')]
    public function test_no_folder_leads_back_to_itself(string $root, string $namespace): void
    {
        $leads = [];
        $why = [];
        foreach ($this->sources($root, ['php']) as $path => $source) {
            $from = explode('/', $path)[1] ?? null;
            preg_match_all('/^use '.preg_quote($namespace, '/').'\\\\(\w+)\\\\[\w\\\\]+;/m', $source, $found);
            foreach ($from === null ? [] : array_unique($found[1]) as $to) {
                $folder = explode('/', $path)[0];
                if ($to !== $folder) {
                    $leads[$folder][$to] = true;
                    $why["$folder → $to"] = $path;
                }
            }
        }
        self::assertGreaterThan(5, count($leads));

        $circles = [];
        foreach (array_keys($leads) as $start) {
            foreach ($this->reached($leads, $start) as $end => $way) {
                if (isset($leads[$end][$start])) {
                    $circles[] = implode(' → ', [...$way, $start]).' (the last in '.$why["$end → $start"].')';
                }
            }
        }
        self::assertSame([], $circles);
    }

    /** @return iterable<string, array{string, string}> */
    public static function houses(): iterable
    {
        yield 'the core' => ['core/src', 'Somatrace\Core'];
        yield 'the application' => ['app', 'App'];
    }

    /** A name of an entry is made by its kind, from the schema: on the server by EntryKind, on the page by nameOf. */
    public function test_nobody_builds_the_name_of_an_entry_by_hand(): void
    {
        $kinds = implode('|', EntryKind::values());
        $byHand = [];
        foreach ($this->sources('resources/js', ['ts', 'vue']) as $path => $source) {
            if (
                preg_match_all(
                    "/\\b(?:save|one|last|standing|answerOf)\\(\\s*'(?:$kinds)',\\s*`[^`]*`|identity: `[^`]*`|`(?:$kinds)\\|(?:before|after)\\|/",
                    $source, $found,
                ) > 0
            ) {
                $byHand[$path] = $found[0];
            }
        }
        foreach ($this->sources('app', ['php']) as $path => $source) {
            if (preg_match_all("/\\\$[\\w\\[\\]']+\\['muscle'\\]\\}?:\\{?\\\$/", $source, $found) > 0) {
                $byHand[$path] = $found[0];
            }
        }

        self::assertSame([], $byHand);
    }

    private const LINE = 140;

    /** A sentence, a pattern or a statement in quotation marks that is searched for whole may make a line longer. */
    private const WHOLE = 90;

    /** A value that is bound is written over what is being typed when anything else is answered: such a field has `v-typed`. */
    public function test_no_field_is_written_over_while_somebody_types_in_it(): void
    {
        $overwritten = [];
        $typed = 0;
        foreach ($this->sources('resources/js', ['vue']) as $path => $source) {
            preg_match_all('/<(?:input|textarea)\b(?:[^>"]|"[^"]*")*>/', $source, $fields);
            foreach ($fields[0] as $field) {
                $typed += (int) str_contains($field, 'v-typed=');
                if (str_contains($field, ':value=') && ! preg_match('/ readonly|type="(?:radio|checkbox)"/', strtr($field, "\n", ' '))) {
                    $overwritten[] = "$path: $field";
                }
            }
        }
        self::assertGreaterThan(3, $typed);
        self::assertSame([], $overwritten);
    }

    public function test_no_line_is_longer_than_a_screen_beside_another(): void
    {
        $long = [];
        $looked = 0;
        foreach (['app', 'bin', 'bootstrap', 'config', 'core', 'database', 'resources', 'routes', 'tests', '.ci'] as $folder) {
            foreach ($this->sources($folder, ['php', 'ts', 'vue', 'mjs', 'css', 'sh', '']) as $path => $source) {
                $looked++;
                foreach (str_contains($path, 'cache/') ? [] : explode("\n", $source) as $number => $line) {
                    $sayings = preg_match_all('/\'(?:\\\\.|[^\'\\\\])*\'|"(?:\\\\.|[^"\\\\])*"|`(?:\\\\.|[^`\\\\])*`/', $line, $found) > 0
                        ? max(array_map(mb_strlen(...), $found[0]))
                        : 0;
                    if (mb_strlen($line) > self::LINE && $sayings < self::WHOLE) {
                        $long[] = "$folder/$path:".($number + 1);
                    }
                }
            }
        }
        self::assertGreaterThan(500, $looked);
        self::assertSame([], $long);
    }

    /** What an engine does with a muscle, a tool or a test is said by data: else a renamed or a second one is not seen by it. */
    public function test_no_engine_knows_a_muscle_a_place_or_a_way_of_working_by_name(): void
    {
        $named = [];
        foreach (self::NAMED_BY_DATA as $file => $list) {
            $data = json_decode((string) file_get_contents(dirname(__DIR__, 2)."/core/data/$file.json"), true, flags: JSON_THROW_ON_ERROR);
            $named += array_fill_keys(array_column($data[$list], 'id'), $file);
        }
        $known = [];
        foreach (self::ENGINES as $engine) {
            foreach ($this->sources("core/src/$engine", ['php']) as $path => $text) {
                preg_match_all("/'([a-z][a-z0-9_]*)'/", $text, $words);
                foreach (array_unique($words[1]) as $word) {
                    $isOther = in_array($word, self::OTHER_MEANING[basename($path, '.php')] ?? [], true);
                    if (isset($named[$word]) && ! $isOther) {
                        $known[] = "$path knows \"$word\" of {$named[$word]}.json";
                    }
                }
            }
        }

        self::assertGreaterThan(500, count($named));
        self::assertSame([], $known);
    }

    public function test_the_figures_of_planning_are_asked_for_by_type_and_not_by_name(): void
    {
        $byName = [];
        foreach ($this->sources('core/src', ['php']) as $path => $source) {
            if (preg_match_all('/->(?:figure|word|words)\(\'/', $source, $found) > 0) {
                $byName[$path] = count($found[0]);
            }
        }

        self::assertSame([], $byName);
    }

    /**
     * @param  array<string, array<string, true>>  $leads
     * @return array<string, list<string>> every folder that is come to, by the shortest way
     */
    private function reached(array $leads, string $start): array
    {
        $ways = [$start => [$start]];
        $open = [$start];
        while ($open !== []) {
            $at = array_shift($open);
            foreach (array_keys($leads[$at] ?? []) as $to) {
                if (! isset($ways[$to])) {
                    $ways[$to] = [...$ways[$at], $to];
                    $open[] = $to;
                }
            }
        }

        return array_diff_key($ways, [$start => 0]);
    }

    /**
     * @param  list<string>  $endings
     * @return iterable<string, string> source by path within the folder
     */
    private function sources(string $folder, array $endings): iterable
    {
        $root = dirname(__DIR__, 2)."/$folder";
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $path => $file) {
            if (in_array($file->getExtension(), $endings, true) && ! str_contains((string) $path, '.generated.')) {
                yield substr((string) $path, strlen($root) + 1) => (string) file_get_contents((string) $path);
            }
        }
    }
}
