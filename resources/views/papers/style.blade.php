<style>
  @page { margin: 1.5cm 1.6cm 1.4cm }
  body { font-family: atkinson, 'atkinson ext', 'DejaVu Sans'; font-size: 9.2pt; line-height: 0.94; color: #2b1f17; margin: 0 }
  h1, h2 { font-family: piazzolla, 'piazzolla ext', 'DejaVu Serif'; font-weight: bold; margin: 0 }
  h1 { font-size: 17pt; line-height: 0.9 }
  h2 { font-size: 10.5pt; line-height: 0.85 }
  p { margin: 0 0 1.5pt }
  table { border-collapse: collapse; width: 100% }
  td, th { vertical-align: top; text-align: left; padding: 0 }
  th { font-weight: normal }
  .quiet { color: #5a4a3c; font-size: 8.2pt; line-height: 0.92 }
  .head { border-bottom: 1.4pt solid #3c3d44; padding-bottom: 3pt; margin-bottom: 2pt }
  .part { border-top: 0.5pt solid #d3c6b1; padding: 3.5pt 0 3.5pt 2.5cm; position: relative }
  .part h2 { position: absolute; left: 0; top: 3pt; width: 2.3cm }
  .body { float: right; width: 5.1cm; margin: 6pt 0 4pt 14pt }
  .beside { margin-right: 5.7cm; min-height: 7.4cm }
  .rows td, .rows th { padding: 1pt 6pt 1pt 0; border-top: 0 }
  .rows tr + tr td { border-top: 0.4pt solid #d3c6b1 }
  .foot { margin-top: 6pt; border-top: 0.5pt solid #d3c6b1; padding-top: 3pt }
  ins { text-decoration: underline }
  del { color: #7d7265 }
</style>
