<?php

declare(strict_types=1);

namespace App\Keeping;

use GuzzleHttp\Client as Http;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Handler\CurlMultiHandler;
use GuzzleHttp\HandlerStack;
use GuzzleHttp\RequestOptions;
use Illuminate\Support\Facades\Config;

/** A server of its own over a database of one's choosing, as bin/demo starts one, and a browser's worth of cookies to speak to it. */
final class TrialServer
{
    /** @var resource|null */
    private $process;

    public readonly CurlMultiHandler $curl;

    public readonly Http $http;

    private readonly CookieJar $cookies;

    private readonly int $port;

    public function __construct(private readonly string $database)
    {
        $this->port = $this->freePort();
        $this->cookies = new CookieJar;
        $this->curl = new CurlMultiHandler(['select_timeout' => 0.004]);
        $this->http = new Http([
            'handler' => HandlerStack::create($this->curl), 'base_uri' => "http://127.0.0.1:{$this->port}", RequestOptions::COOKIES => $this->cookies,
            RequestOptions::HTTP_ERRORS => false, RequestOptions::TIMEOUT => 30, RequestOptions::ALLOW_REDIRECTS => false,
        ]);
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
        $environment = ['DB_DATABASE' => $this->database, 'APP_ENV' => 'local', 'APP_DEBUG' => 'false', 'APP_KEY' => Config::string('app.key'), 'PATH' => (string) getenv('PATH')];
        // compiled once for all starts, so that a server that was killed is soon at work again
        $compiled = sys_get_temp_dir().'/somatrace-compiled';
        @mkdir($compiled, 0700);
        $command = ['php', '-d', 'opcache.enable_cli=1', '-d', "opcache.file_cache=$compiled", '-S', "127.0.0.1:{$this->port}", base_path('vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php')];
        $this->process = proc_open($command, [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, public_path(), $environment) ?: throw new \RuntimeException('no server started');
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

    /** At once, with no chance to finish anything. */
    public function kill(): void
    {
        if (is_resource($this->process)) {
            proc_terminate($this->process, SIGKILL);
            proc_close($this->process);
            $this->process = null;
        }
    }

    public function signIn(string $email, string $password): void
    {
        $this->http->get('/sign-in');
        $status = $this->http->post('/sign-in', [RequestOptions::JSON => ['email' => $email, 'password' => $password], RequestOptions::HEADERS => $this->headers()])->getStatusCode();
        if ($status >= 400) {
            throw new \RuntimeException("nobody could sign in ($status)");
        }
    }

    /** @return array<string, string> what a request has to carry to be believed */
    public function headers(): array
    {
        return ['X-XSRF-TOKEN' => urldecode((string) $this->cookies->getCookieByName('XSRF-TOKEN')?->getValue()), 'Accept' => 'application/json'];
    }
}
