<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Data\SchemaValidator;

/** The data files of one folder, checked as a whole: each against the schema beside it, then against each other. */
final class AtlasFiles
{
    /** @var list<string> every file of the folder, without its ending */
    public const NAMES = [
        'vocabulary', 'directions', 'zones', 'landmarks', 'hazards', 'movements', 'muscles', 'self_care', 'tests', 'regions', 'search',
        'posture_signs', 'techniques', 'tools', 'positions',
        'products', 'demands', 'consent_areas', 'signs', 'conditions', 'red_flags', 'finding_rules', 'clot_score', 'pattern', 'chains',
        'planning', 'response', 'setups', 'spots', 'moves', 'joints', 'routines', 'compositions', 'whole_pattern',
        'protocols', 'tableside',
    ];

    /** @var array<string, list<Fault>> what was found in a text by a schema: the same twice is the same */
    private static array $read = [];

    public function __construct(private readonly string $folder)
    {
    }

    /** @return list<Fault> all of them; cross-checks are made only once every file has its shape */
    public function faults(): array
    {
        $faults = $files = [];
        foreach (self::NAMES as $name) {
            [$data, $found] = $this->read($name);
            $files[$name] = $data;
            array_push($faults, ...$found);
        }
        foreach (array_diff($this->present(), self::NAMES) as $stray) {
            $faults[] = new Fault("$stray.json #", 'is no file of the atlas, allowed are '.implode(', ', self::NAMES));
        }
        if ($faults !== []) {
            return $faults;
        }
        $faults = (new AtlasReferences($files))->faults();

        if ($faults !== []) {
            return $faults;
        }
        $atlas = Atlas::build($this->folder);

        return [...(new AtlasSense($atlas))->faults(), ...(new HandworkSense($atlas))->faults()];
    }

    /** @throws FaultyDocument with every fault */
    public function check(): void
    {
        $faults = $this->faults();
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }
    }

    /** Changes whenever a file of the folder does; cheap, so that it can be asked at every start. */
    public function stamp(): string
    {
        clearstatcache();

        return implode(
            "\n", array_map(static fn (string $file): string => basename($file).' '.filesize($file).' '.filemtime($file), $this->paths()),
        );
    }

    /** A short hash over every data file: results computed with other data are other results. */
    public function version(): string
    {
        return substr(
            hash('sha256', implode('', array_map(static fn (string $file): string => (string) hash_file('sha256', $file), $this->paths()))),
            0, 12,
        );
    }

    /** @return list<string> */
    private function paths(): array
    {
        $files = glob("{$this->folder}/*.json") ?: [];
        sort($files);

        return $files;
    }

    /** @return list<string> */
    private function present(): array
    {
        return array_map(static fn (string $path): string => basename($path, '.json'), $this->paths());
    }

    /** @return array{mixed, list<Fault>} the decoded file with objects as arrays, and what is wrong with it */
    private function read(string $name): array
    {
        $path = "{$this->folder}/$name.json";
        $text = is_file($path) ? (string) file_get_contents($path) : null;
        if ($text === null) {
            return [null, [new Fault("$name.json #", 'is missing')]];
        }
        try {
            $value = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            return [null, [new Fault("$name.json #", 'is no JSON: '.$fault->getMessage())]];
        }
        $schema = "{$this->folder}/schema/$name.schema.json";
        $faults = array_map(
            static fn (Fault $fault): Fault => new Fault("$name.json {$fault->pointer}", $fault->message),
            self::$read[hash('xxh128', $text).hash_file('xxh128', $schema)] ??= (new SchemaValidator($schema))->faults($value),
        );

        return [json_decode($text, true), $faults];
    }
}
