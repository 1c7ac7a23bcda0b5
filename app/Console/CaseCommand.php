<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\CaseReader;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;
use Symfony\Component\Console\Output\OutputInterface;

/** Reads one case file and prints what the core makes of it; see docs/case-file.md. */
final class CaseCommand extends Command
{
    private const PARTS = ['safety', 'pattern', 'plan', 'response'];

    protected $signature = 'somatrace:case
        {file : a somatrace.case document, or - for standard input}
        {--only= : parts to compute, of safety,pattern,plan,response}
        {--compare= : minutes or school choices, one plan each}
        {--pretty : indent the result}';

    protected $description = 'Screen, rank, plan and judge the response for one case file';

    public function handle(Clinic $clinic): int
    {
        try {
            $parts = $this->parts();
            $compare = $this->comparisons($clinic);
            $case = $clinic->reader()->read($this->text());
            $result = $this->result($clinic, $case, $parts, $compare);
        } catch (FaultyDocument $refused) {
            foreach ($refused->faults as $fault) {
                fwrite(STDERR, $fault->line()."\n");
            }

            return 2;
        }
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | (
            $this->option('pretty') === true ? JSON_PRETTY_PRINT : 0
        );
        $this->output->writeln(json_encode($result, $flags), OutputInterface::OUTPUT_RAW);

        return 0;
    }

    /** @return list<string> */
    private function parts(): array
    {
        $only = $this->option('only');
        $parts = is_string($only) && $only !== '' ? explode(',', $only) : self::PARTS;
        $unknown = array_diff($parts, self::PARTS);
        if ($unknown !== []) {
            throw FaultyDocument::whole('--only: "'.implode(', ', $unknown).'" is no part, allowed are '.implode(', ', self::PARTS));
        }

        return $parts;
    }

    /** @return list<string> */
    private function comparisons(Clinic $clinic): array
    {
        $compare = $this->option('compare');
        $values = is_string($compare) && $compare !== '' ? explode(',', $compare) : [];
        foreach ($values as $value) {
            $minutes = ctype_digit($value) ? (int) $value : null;
            if ($minutes !== null && ($minutes < 10 || $minutes > 180)) {
                throw FaultyDocument::whole("--compare: $value minutes, allowed are 10 to 180");
            }
            if ($minutes === null && $clinic->schoolQuestion($value) === null) {
                throw FaultyDocument::whole("--compare: \"$value\" is neither minutes nor a choice of a school");
            }
        }

        return $values;
    }

    private function text(): string
    {
        $file = (string) $this->argument('file');
        $source = $file === '-' ? 'php://stdin' : $file;
        if ($file !== '-' && ! is_file($file)) {
            throw FaultyDocument::with([new Fault('#', 'no such file')]);
        }
        $text = @file_get_contents($source, length: CaseReader::MOST_BYTES + 1);

        return $text === false ? throw FaultyDocument::whole('cannot be read') : $text;
    }

    /**
     * @param  list<string>  $parts
     * @param  list<string>  $compare
     * @return array<string, mixed>
     */
    private function result(Clinic $clinic, CaseFile $case, array $parts, array $compare): array
    {
        $result = ['format' => 'somatrace.result', 'version' => 1, 'as_of' => $case->asOf->format('Y-m-d'), 'atlas' => $clinic->version()];
        foreach (self::PARTS as $part) {
            // every key is always there; a part not asked for is empty
            $result[$part] = ! in_array($part, $parts, true) ? new \stdClass : match ($part) {
                'safety' => $clinic->screen($case)->toArray(),
                'pattern' => $clinic->rank($case)->toArray(),
                'plan' => $clinic->plan($case)->toArray(),
                default => $clinic->respond($case)->toArray(),
            };
        }
        if ($compare !== []) {
            $result['compare'] = array_map(static fn ($plan): array => $plan->toArray(), $clinic->compare($case, $compare));
        }

        return $result;
    }
}
