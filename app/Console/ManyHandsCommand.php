<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\ManyHands;
use App\Keeping\TrialClinic;
use App\Keeping\TrialServer;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

final class ManyHandsCommand extends Command
{
    protected $signature = 'somatrace:many-hands
        {--people=30}
        {--seconds=60}
        {--lock=0 : seconds for which somebody else holds the write lock in the middle of it}
        {--url= : a running server over the database of this installation, which must hold no real clinic; without it, one of its own}
        {--most=800 : milliseconds which 95 of 100 saves must not take longer than; 0 asks for none}
        {--seed=1}';

    protected $description = 'So many people at work at once: how long they wait, what fails, and whether anything acknowledged is lost';

    public function handle(): int
    {
        $url = $this->option('url');
        if (! is_string($url)) {
            $folder = sys_get_temp_dir().'/somatrace-hands-'.bin2hex(random_bytes(6));
            $database = TrialClinic::ownDatabase($folder);
            $server = new TrialServer($database);
            try {
                $server->start();

                return $this->report(new ManyHands($server->url, $server->wire, (int) $this->option('seed')), $database);
            } finally {
                $server->kill();
                TrialClinic::clear($folder);
            }
        }
        if (DB::table('clinics')->where('demo', 0)->exists()) {
            $this->error('This database holds a real clinic: nothing is tried on it.');

            return self::FAILURE;
        }

        return $this->report(
            new ManyHands(rtrim($url, '/'), seed: (int) $this->option('seed')), Config::string('database.connections.sqlite.database'),
        );
    }

    private function report(ManyHands $hands, string $database): int
    {
        [$people, $seconds] = [max(1, (int) $this->option('people')), max(1, (int) $this->option('seconds'))];
        $lock = (int) $this->option('lock');
        $holds = $lock > 0
            ? new Process(
                [
                    'php', '-r',
                    '$db = new PDO("sqlite:".$argv[1]); $db->exec("pragma busy_timeout = 10000"); $db->exec("begin immediate"); usleep((int) ($argv[2] * 1e6)); $db->exec("rollback");',
                    $database, (string) $lock,
                ],
                timeout: null,
            )
            : null;
        $at = microtime(true) + $seconds / 3;
        $result = $hands->run($people, $seconds, static function () use ($holds, $at): void {
            if ($holds !== null && ! $holds->isStarted() && microtime(true) > $at) {
                $holds->start();
            }
        });
        $this->line(sprintf('%-20s %9s %8s %8s %8s', '', 'requests', 'p50 ms', 'p95 ms', 'p99 ms'));
        foreach ($result['took'] as $kind => $one) {
            $this->line(sprintf('%-20s %9d %8d %8d %8d', $kind, $one['requests'], $one['p50'], $one['p95'], $one['p99']));
        }
        $requests = array_sum(array_column($result['took'], 'requests'));
        $failed = array_sum($result['failed']);
        $told = [
            'requests' => $requests, 'failed' => $failed, 'told that another window was first' => $result['conflicts'],
            'events acknowledged' => $result['acknowledged']['events'], 'entries acknowledged' => $result['acknowledged']['entries'],
            'notes signed' => $result['acknowledged']['signed'], 'appointments booked' => $result['acknowledged']['booked'],
            'acknowledged and lost' => $result['lost'],
        ];
        foreach ($told as $what => $count) {
            $this->line(sprintf('%-36s %8d', $what, $count));
        }
        foreach ($result['failed'] as $what => $count) {
            $this->line("  failed: $what, $count times");
        }
        ['signed' => $signed, 'told_so' => $toldSo, 'other' => $other] = $result['signing'];
        $this->line("six sign one visit at once: $signed signed, $toldSo told so, $other otherwise");
        $slow = (int) $this->option('most') > 0 && ($result['took']['save']['p95'] ?? 0) > (int) $this->option('most');
        if ($slow) {
            $this->error("95 of 100 saves took up to {$result['took']['save']['p95']} ms.");
        }

        return $failed === 0 && $result['lost'] === 0 && $other === 0 && $signed === 1 && $requests > $people && ! $slow
            ? self::SUCCESS
            : self::FAILURE;
    }
}
