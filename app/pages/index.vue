<template>
  <SpreadSheet :id="undefined" />
</template>
