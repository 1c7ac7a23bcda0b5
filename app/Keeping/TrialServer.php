<?php

declare(strict_types=1);

namespace App\Keeping;

use GuzzleHttp\Handler\CurlMultiHandler;
use Illuminate\Support\Facades\Config;

/** A server of its own over a database of one's choosing, as bin/demo starts one, workers and all. */
final class TrialServer
{
    private const WORKERS = 4;

    /** @var resource|null */
    private $process;

    public readonly CurlMultiHandler $wire;

    public readonly string $url;

    private readonly int $port;

    public function __construct(private readonly string $database)
    {
        $this->port = $this->freePort();
        $this->url = "http://127.0.0.1:{$this->port}";
        $this->wire = new CurlMultiHandler(['select_timeout' => 0.004]);
    }

    /** One that nobody listens on: what is left of another trial must not be taken for this one's. */
    private function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('no port is free');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr((string) strrchr($name, ':'), 1);
    }

    public function start(): void
    {
        // a trial clinic has its sessions and its seal beside it (TrialClinic)
        $environment = [
            'DB_DATABASE' => $this->database, 'APP_ENV' => 'local', 'APP_DEBUG' => 'false', 'APP_KEY' => Config::string('app.key'),
            'APP_URL' => $this->url, 'PATH' => (string) getenv('PATH'), 'PHP_CLI_SERVER_WORKERS' => (string) self::WORKERS,
            ...is_dir(dirname($this->database).'/sessions')
                ? [
                    'SOMATRACE_SEAL_FOLDER' => dirname($this->database).'/seal', 'SESSION_FILES' => dirname($this->database).'/sessions',
                    'BCRYPT_ROUNDS' => '4',
                ]
                : [],
        ];
        // compiled once for all starts, so that a server that was killed is soon at work again
        $compiled = sys_get_temp_dir().'/somatrace-compiled';
        @mkdir($compiled, 0700);
        // in a group of its own, so that its workers go with it
        $command = [
            'setsid', 'php', '-d', 'opcache.enable_cli=1', '-d', "opcache.file_cache=$compiled", '-S', "127.0.0.1:{$this->port}",
            base_path('vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php'),
        ];
        $this->process = proc_open(
            $command, [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, public_path(),
            $environment,
        ) ?: throw new \RuntimeException('no server started');
        for ($wait = 0; $wait < 500; $wait++) {
            $socket = @stream_socket_client("tcp://127.0.0.1:{$this->port}", $code, $words, 0.2);
            if ($socket !== false) {
                fclose($socket);

                return;
            }
            usleep(10_000);
        }
        throw new \RuntimeException('the server does not answer');
    }

    /** At once, with no chance to finish anything: the server and its workers. */
    public function kill(): void
    {
        if (is_resource($this->process)) {
            posix_kill(-proc_get_status($this->process)['pid'], SIGKILL);
            proc_close($this->process);
            $this->process = null;
        }
    }

    public function person(string $email, #[\SensitiveParameter] string $password): TrialPerson
    {
        return new TrialPerson($email, $password, $this->url, $this->wire);
    }
}
