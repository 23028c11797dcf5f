<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
    <title>Parlay: its key</title>
    @vite('resources/js/enter.ts')
</head>
<body>
    <main class="mx-auto grid max-w-md gap-4 p-6">
        <h1 class="text-3xl font-bold">Parlay</h1>
        <p>This Parlay can be reached by other machines, so it asks for its key. The key stands in the terminal where Parlay was started, as an address and as a picture to be held before a camera.</p>
        <form id="enter" class="grid gap-3">
            <label for="key">Key</label>
            <input id="key" class="min-h-12 border border-ink/50 bg-sheet px-3" autocomplete="off" autocapitalize="none" spellcheck="false" required>
            <p id="problem" role="alert" class="text-out"></p>
            <button class="min-h-16 bg-chalk px-6 text-lg font-semibold text-white">Enter</button>
        </form>
    </main>
</body>
</html>
