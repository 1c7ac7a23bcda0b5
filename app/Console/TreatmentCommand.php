<?php

declare(strict_types=1);

namespace App\Console;

use App\Exchange\TreatmentStream;
use Illuminate\Console\Command;
use Somatrace\Core\Data\FaultyDocument;
use Symfony\Component\Console\Output\OutputInterface;

/** Plays a treatment back from its stream and prints where it stands and what it gave; see docs/formats.md. */
final class TreatmentCommand extends Command
{
    protected $signature = 'somatrace:treatment
        {file : a somatrace.treatment stream, or - for standard input}
        {--pretty : indent the result}';

    protected $description = 'Play a treatment back from what happened at the table';

    public function handle(TreatmentStream $stream): int
    {
        $file = (string) $this->argument('file');
        $text = $file === '-' ? stream_get_contents(STDIN) : (is_file($file) ? file_get_contents($file) : false);
        try {
            $state = $stream->read($text === false ? throw FaultyDocument::whole("$file cannot be read") : $text)->toArray();
        } catch (FaultyDocument $refused) {
            foreach ($refused->faults as $fault) {
                fwrite(STDERR, $fault->line()."\n");
            }

            return 2;
        }
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | ($this->option('pretty') === true ? JSON_PRETTY_PRINT : 0);
        $this->output->writeln(json_encode($state, $flags), OutputInterface::OUTPUT_RAW);

        return 0;
    }
}
